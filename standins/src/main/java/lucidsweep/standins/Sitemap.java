package lucidsweep.standins;

import java.net.URI;
import java.util.stream.Collectors;

/** The sitemaps of the demo website. */
final class Sitemap {

    private static final String SCHEMA = " xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">\n";

    private Sitemap() {}

    static String index(URI address) {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<sitemapindex" + SCHEMA
                + "<sitemap><loc>" + address + "sitemap-pages.xml</loc></sitemap>\n"
                + "<sitemap><loc>" + address + "sitemap-journal.xml</loc></sitemap>\n</sitemapindex>\n";
    }

    static String pages(DemoSite site, URI address, boolean journal) {
        return site.pages().values().stream()
                .filter(page -> page.section.equals("journal") == journal)
                .map(page -> "<url><loc>" + address.resolve(page.path) + "</loc></url>\n")
                .collect(Collectors.joining(
                        "", "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<urlset" + SCHEMA, "</urlset>\n"));
    }
}
