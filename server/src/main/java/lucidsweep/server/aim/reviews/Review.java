package lucidsweep.server.aim.reviews;

import jakarta.annotation.Nullable;

/**
 * A keyword, tag or view of items to look at again.
 *
 * @param phrase the keyword or tag; of items, what they have in common
 * @param place of items, the filter that shows them as it stands in an address: "field=title&check=too-long"; else ""
 * @param dueMonth such as "2027-03"; "" for none
 * @param due whether that month is there
 * @param volume searches a month, where it is a keyword of the list; null where not known
 * @param address the home of such a keyword; null where it has none
 */
public record Review(
        long id,
        String list,
        Kind kind,
        String phrase,
        String place,
        String dueMonth,
        boolean due,
        @Nullable Long volume,
        @Nullable String address) {

    /** What is looked at again. */
    public enum Kind {
        KEYWORD,
        TAG,
        ITEMS
    }
}
