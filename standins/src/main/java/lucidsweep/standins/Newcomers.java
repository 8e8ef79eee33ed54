package lucidsweep.standins;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;

/** Pages that the demo's client put up a few weeks before the day on which the stand-in search engine's time begins. */
final class Newcomers {

    static final List<SitePage> PAGES = pages(SearchReports.FIRST_TODAY);

    private Newcomers() {}

    /** As they are where the search engine's time begins on a day: eight, six and four weeks old. */
    static List<SitePage> pages(LocalDate start) {
        return List.of(
                page("Kayak sailing", "lantern-head", "Lantern Head", start.minusWeeks(8)),
                page("Kayak camping", "skerry-island", "Skerry Island", start.minusWeeks(6)),
                page("Kayak fishing", "fennick", "Fennick", start.minusWeeks(4)));
    }

    static boolean isOne(String path) {
        return PAGES.stream().anyMatch(page -> page.path.equals(path));
    }

    private static SitePage page(String what, String slug, String place, LocalDate published) {
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
        page.published = published.toString();
        return page;
    }

    /** The far better phrase that such a page begins to be shown for. */
    static String wanted(SitePage page) {
        return page.name.toLowerCase(Locale.ROOT).replaceFirst(" weekend in .*", " weekend");
    }
}
