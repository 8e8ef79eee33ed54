package lucidsweep.standins;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Writes a page of the demo website as HTML. */
final class PageHtml {

    private static final List<String[]> NAVIGATION = List.of(
            new String[] {"/", "Home"},
            new String[] {"/hire/", "Kayak hire"},
            new String[] {"/tours/", "Guided tours"},
            new String[] {"/lessons/", "Lessons"},
            new String[] {"/workshop/", "Workshop"},
            new String[] {"/boats/", "Boats"},
            new String[] {"/journal/", "Journal"},
            new String[] {"/shop/", "Shop"});
    private static final List<String[]> FOOTER = List.of(
            new String[] {"/calendar/2026/1/", "Tide calendar"},
            new String[] {"/prices.pdf", "Price list"},
            new String[] {"/old-home", "Our old home page"},
            new String[] {"/moved-once", "Tours"},
            new String[] {"/loop-a", "Webcam"},
            new String[] {"/closed-branch", "Branch office"},
            new String[] {"/lost-page", "Partners"},
            new String[] {"/flaky", "Weather station"},
            new String[] {"/slow", "Panorama"},
            new String[] {"/latin", "Café by the slip"},
            new String[] {"/empty", "Notice board"},
            new String[] {"/log-book", "Log book"},
            new String[] {"/private/rota", "Staff"});

    private final Map<String, SitePage> pages;

    PageHtml(Map<String, SitePage> pages) {
        this.pages = pages;
    }

    String of(SitePage page) {
        StringBuilder html = new StringBuilder(8_000);
        html.append("<!doctype html>\n<html lang=\"en-GB\">\n<head>\n<meta charset=\"utf-8\">\n");
        for (String title : page.titles)
            html.append("<title>").append(escaped(title)).append("</title>\n");
        for (String text : page.descriptions) {
            html.append("<meta name=\"description\" content=\"")
                    .append(escaped(text))
                    .append("\">\n");
        }
        if (!page.robots.isEmpty())
            html.append("<meta name=\"robots\" content=\"").append(page.robots).append("\">\n");
        if (!page.canonical.isEmpty())
            html.append("<link rel=\"canonical\" href=\"")
                    .append(page.canonical)
                    .append("\">\n");
        if (!page.published.isEmpty()) {
            html.append("<meta property=\"article:published_time\" content=\"")
                    .append(page.published)
                    .append("\">\n");
        }
        if (!page.modified.isEmpty()) {
            html.append("<meta property=\"article:modified_time\" content=\"")
                    .append(page.modified)
                    .append("\">\n");
        }
        html.append(page.head);
        html.append("<style>body{font-family:serif;margin:2rem auto;max-width:44rem}</style>\n</head>\n<body>\n<nav>");
        for (String[] link : NAVIGATION) html.append(link(link[0], link[1])).append(' ');
        html.append("</nav>\n<main>\n");
        for (String h1 : page.h1s) html.append("<h1>").append(escaped(h1)).append("</h1>\n");
        for (String paragraph : page.paragraphs)
            html.append("<p>").append(escaped(paragraph)).append("</p>\n");
        html.append(page.more);
        html.append("<h2>")
                .append(page.path.equals("/" + page.section + "/") ? "All of them" : "See also")
                .append("</h2>\n<ul>\n");
        for (SitePage other : linked(page))
            html.append("<li>").append(link(other.path, other.name)).append("</li>\n");
        html.append("</ul>\n<p><img src=\"/boat.svg\" alt=\"A wooden kayak on the slip\"></p>\n</main>\n<footer>");
        if (page.path.equals("/")) {
            for (String[] link : FOOTER) html.append(link(link[0], link[1])).append(' ');
        }
        for (SitePage legal : ofSection("legal")) {
            if (!legal.inSitemapOnly) html.append(link(legal.path, legal.name)).append(' ');
        }
        return html.append("</footer>\n</body>\n</html>\n").toString();
    }

    private List<SitePage> linked(SitePage page) {
        List<SitePage> siblings = ofSection(page.section);
        if (page.path.equals("/" + page.section + "/")) {
            return siblings.stream()
                    .filter(other -> !other.path.equals(page.path))
                    .toList();
        }
        if (page.section.isEmpty()) return List.of();
        int at = siblings.stream().map(SitePage::path).toList().indexOf(page.path);
        return List.of(
                siblings.get((at + 1) % siblings.size()),
                siblings.get((at + 2) % siblings.size()),
                siblings.get((at + 5) % siblings.size()));
    }

    private List<SitePage> ofSection(String section) {
        return pages.values().stream()
                .filter(page -> page.section.equals(section) && !page.inSitemapOnly)
                .collect(Collectors.toList());
    }

    static String link(String path, String text) {
        return "<a href=\"" + path + "\">" + escaped(text) + "</a>";
    }

    static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace("\"", "&quot;");
    }
}
