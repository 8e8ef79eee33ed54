package lucidsweep.server.client;

import java.util.Locale;

/** What a property is: a website, a shop's listings or the videos of a channel. */
public enum PropertyKind {
    WEBSITE,
    LISTINGS,
    VIDEOS;

    /** As it stands in the database and the API: "website". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT);
    }
}
