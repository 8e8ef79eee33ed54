package lucidsweep.standins;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The website of the demo client, made from a seed, with faults planted on purpose.
 *
 * @param pages by path
 * @param planted every fault; nothing else is wrong with these pages
 */
public record DemoSite(Map<String, SitePage> pages, List<Planted> planted) {

    /** The site that {@code ./start} shows. */
    public static DemoSite ofSeed(long seed) {
        return ofSeed(seed, SearchReports.FIRST_TODAY);
    }

    /** The same as it is on a day: its newest pages are some weeks old. */
    public static DemoSite ofSeed(long seed, LocalDate today) {
        List<SitePage> pages = new Sections(seed).all();
        List<Planted> planted = new ArrayList<>(new Faults(pages).plant());
        planted.addAll(OddAddresses.planted());
        Map<String, SitePage> byPath = new LinkedHashMap<>();
        for (SitePage page : pages) byPath.put(page.path, page);
        for (SitePage page : Newcomers.pages(today)) byPath.put(page.path, page);
        SitePage orphan = new SitePage(
                "/legal/winter-opening-hours/",
                "legal",
                "Winter opening hours",
                "Winter opening hours of the office",
                "When the office, the slip and the workshop are open between November and March.",
                List.of("We open when there is light enough to see the far bank."));
        orphan.inSitemapOnly = true;
        byPath.put(orphan.path, orphan);
        for (SitePage page : OddAddresses.PAGES) byPath.put(page.path, page);
        return new DemoSite(byPath, planted);
    }
}
