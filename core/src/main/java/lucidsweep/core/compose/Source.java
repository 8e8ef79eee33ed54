package lucidsweep.core.compose;

import java.util.Map;

/**
 * Where a part takes its text from.
 *
 * @param text the fixed text; "" for the other kinds
 */
public record Source(Kind kind, String text) {

    /** What can be taken of an item. */
    public enum Kind {
        KEYWORD,
        TITLE,
        DESCRIPTION,
        H1,
        SLUG,
        SECTION,
        COPY_OPENING,
        PRICE,
        BRAND,
        FIXED
    }

    /** Its text for an item whose texts are given by kind; "" where the item has none. */
    String of(Map<Kind, String> item) {
        return kind == Kind.FIXED ? text : item.getOrDefault(kind, "").strip();
    }
}
