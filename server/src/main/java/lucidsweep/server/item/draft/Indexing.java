package lucidsweep.server.item.draft;

import lucidsweep.core.page.Noindex;

/** The indexing switch as a text: what a page says of itself, whatever else keeps search engines from it. */
public final class Indexing {

    public static final String ON = "index";
    public static final String OFF = "noindex";

    private Indexing() {}

    /** @param reason why it is not indexable, as it is stored; null where it is */
    public static String of(String reason) {
        return Noindex.Reason.NOINDEX.code().equals(reason) ? OFF : ON;
    }
}
