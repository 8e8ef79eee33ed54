package lucidsweep.server.client;

import lucidsweep.core.standard.Standard;

/**
 * One thing of a client's that search engines list.
 *
 * @param address where a website starts; "" for the others
 * @param language of its texts, such as "en"
 * @param privateAllowed whether a sweep may reach private and loopback addresses
 * @param revision counts up with every change to its data
 */
public record Property(
        long id,
        long clientId,
        PropertyKind kind,
        String name,
        String address,
        String language,
        boolean privateAllowed,
        long revision) {

    /** What its fields are held to. */
    public Standard standard() {
        return kind == PropertyKind.WEBSITE ? Standard.ofPages() : Standard.ofListings();
    }

    public boolean hasTags() {
        return kind != PropertyKind.WEBSITE;
    }
}
