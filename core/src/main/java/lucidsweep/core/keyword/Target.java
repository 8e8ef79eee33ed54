package lucidsweep.core.keyword;

import java.util.Locale;

/**
 * An item that aims at a keyword.
 *
 * @param item the item's id
 * @param keyword the keyword's place in the list
 * @param score how well they fit, 0 to 1
 * @param reason in words
 */
public record Target(long item, int keyword, Role role, double score, String reason) {

    /** An item has one primary keyword and up to four secondary ones. */
    public enum Role {
        PRIMARY,
        SECONDARY;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
