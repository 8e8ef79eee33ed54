package lucidsweep.server.item;

import java.util.Locale;

/** What a table of items can be sorted by; ties go by id. */
public enum ItemSort {
    ADDRESS("i.address"),
    SECTION("i.section"),
    TITLE("t.text"),
    TITLE_PX("t.px"),
    DESCRIPTION("d.text"),
    DESCRIPTION_PX("d.px"),
    TAGS("g.text"),
    H1("i.h1"),
    LINKS_IN("i.links_in"),
    DEPTH("i.depth"),
    STATUS("i.status"),
    KEYWORD("k.phrase"),
    FINDINGS("f.findings");

    private final String column;

    ItemSort(String column) {
        this.column = column;
    }

    String column() {
        return column;
    }

    boolean uses(String table) {
        return column.startsWith(table + ".");
    }

    /** Reads "title-px"; an unknown name is an error. */
    public static ItemSort of(String name) {
        try {
            return valueOf(name.toUpperCase(Locale.ROOT).replace('-', '_'));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("a table cannot be sorted by \"" + name + "\"", e);
        }
    }
}
