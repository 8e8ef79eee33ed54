package lucidsweep.server.item.table;

import java.util.Locale;

/** What a table of items can be sorted by; ties go by id. */
public enum ItemSort {
    ADDRESS,
    SECTION,
    TITLE,
    TITLE_PX,
    DESCRIPTION,
    DESCRIPTION_PX,
    TAGS,
    H1,
    LINKS_IN,
    DEPTH,
    STATUS,
    KEYWORD,
    FINDINGS,
    STAKE;

    /** Reads "title-px"; an unknown name is an error. */
    public static ItemSort of(String name) {
        try {
            return valueOf(name.toUpperCase(Locale.ROOT).replace('-', '_'));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("a table cannot be sorted by \"" + name + "\"", e);
        }
    }
}
