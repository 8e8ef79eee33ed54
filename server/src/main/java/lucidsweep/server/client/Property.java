package lucidsweep.server.client;

import com.fasterxml.jackson.annotation.JsonIgnore;
import lucidsweep.core.standard.Standard;

/**
 * One thing of a client's that search engines list.
 *
 * @param address where a website starts; "" for the others
 * @param language of its texts, such as "en"
 * @param privateAllowed whether a sweep may reach private and loopback addresses
 * @param revision counts up with every change to its data
 * @param ownStandard what was set of its standard, as JSON; null for the ready-made one
 */
public record Property(
        long id,
        long clientId,
        PropertyKind kind,
        String name,
        String address,
        String language,
        boolean privateAllowed,
        long revision,
        @JsonIgnore String ownStandard) {

    /** What its fields are held to. */
    public Standard standard() {
        return OwnStandards.of(kind, language, ownStandard);
    }

    /** What its fields are held to where nothing is set. */
    public Standard readyStandard() {
        return OwnStandards.ready(kind, language);
    }

    /** Whether anything was set of its standard. */
    public boolean hasOwnStandard() {
        return ownStandard != null;
    }

    public boolean hasTags() {
        return kind != PropertyKind.WEBSITE;
    }
}
