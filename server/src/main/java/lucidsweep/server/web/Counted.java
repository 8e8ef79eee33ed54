package lucidsweep.server.web;

import java.util.Locale;

/** A number of things in words: "1 page", "2,650 pages". */
public final class Counted {

    private Counted() {}

    public static String of(long count, String thing) {
        return String.format(Locale.UK, "%,d %s%s", count, thing, count == 1 ? "" : "s");
    }
}
