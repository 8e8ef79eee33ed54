package lucidsweep.standins;

import java.util.List;
import java.util.Locale;

/** Pages that the demo's client put up a few weeks before the day on which the stand-in search engine's time begins. */
final class Newcomers {

    static final List<SitePage> PAGES = List.of(
            page("Kayak sailing", "lantern-head", "Lantern Head", "2026-09-28"),
            page("Kayak camping", "skerry-island", "Skerry Island", "2026-10-12"),
            page("Kayak fishing", "fennick", "Fennick", "2026-10-26"));

    private Newcomers() {}

    private static SitePage page(String what, String slug, String place, String published) {
        SitePage page = new SitePage(
                "/journal/" + Slug.of(what) + "-" + slug + "/",
                "journal",
                what + " weekend in " + place,
                what + " weekend in " + place,
                "A weekend of " + what.toLowerCase(Locale.ROOT) + " in " + place + ": what we packed, saw and learned.",
                List.of(
                        "We went out on Friday with four boats and came back on Sunday with four boats and a story.",
                        "If you want to try " + what.toLowerCase(Locale.ROOT)
                                + " yourself, ring the office and ask for Bram."));
        page.published = published;
        return page;
    }

    /** The far better phrase that such a page begins to be shown for. */
    static String wanted(SitePage page) {
        return page.name.toLowerCase(Locale.ROOT).replaceFirst(" weekend in .*", " weekend");
    }
}
