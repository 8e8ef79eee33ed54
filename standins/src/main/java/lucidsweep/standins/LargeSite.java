package lucidsweep.standins;

import java.util.Random;

/**
 * A site of any size for measurements: page n leads to pages 10n+1 to 10n+10. A page is some 27 KB of markup with 5 KB to
 * be read, as pages of real sites are: a navigation, cards with pictures, copy under headings, a table, a footer.
 */
final class LargeSite {

    private static final String[] WORDS =
            ("boat paddle tide slip harbour guide wind cedar hull varnish rope chart morning island cove seal heron estuary lesson"
                            + " beginner double rental group booking season water shore bay creek lantern light swell calm")
                    .split(" ");

    private static final int BLOCKS = 64;
    private static final int BLOCKS_A_PAGE = 7;
    private static final int MENUS = 5;
    private static final int LINKS_A_MENU = 7;
    private static final int RELATED = 12;
    private static final int ROWS = 14;
    private static final String HEAD = """
            <meta name="viewport" content="width=device-width, initial-scale=1">
            <link rel="icon" href="/static/icon-192.png" sizes="192x192" type="image/png">
            <link rel="preload" href="/static/fonts/harbour-regular.woff2" as="font" type="font/woff2" crossorigin>
            <link rel="stylesheet" href="/static/site.css?v=20260401" media="all">
            <link rel="stylesheet" href="/static/print.css?v=20260401" media="print">
            <meta property="og:type" content="website">
            <meta property="og:site_name" content="Large Site of Boats">
            <style>
            :root{--ink:#1c2a33;--sea:#0d5f73;--sand:#f4efe6;--edge:#d8d2c6;--step:1rem;--wide:72rem}
            *,*::before,*::after{box-sizing:border-box}body{margin:0;font:1rem/1.6 Harbour,serif;color:var(--ink);background:var(--sand)}
            .site-header,.site-footer{padding:var(--step);background:#fff;border-block:1px solid var(--edge)}.menu{display:flex;flex-wrap:wrap;gap:var(--step);max-width:var(--wide);margin:0 auto}
            .menu__column{flex:1 1 9rem}.menu__head{display:block;font-weight:700}.menu__list{margin:0;padding:0;list-style:none}.menu__link{color:var(--sea);text-decoration:none}
            .menu__link:hover,.menu__link:focus-visible{text-decoration:underline}main{max-width:var(--wide);margin:0 auto;padding:var(--step)}.page-title{font-size:clamp(1.6rem,4vw,2.8rem);line-height:1.15}
            .cards{display:grid;grid-template-columns:repeat(auto-fill,minmax(16rem,1fr));gap:var(--step)}.card{background:#fff;border:1px solid var(--edge);border-radius:.5rem;overflow:hidden}
            .card__picture{aspect-ratio:3/2;background:var(--edge)}.picture{display:block;width:100%;height:auto}.card__text{padding:var(--step)}.card__title{margin:0;font-size:1.15rem}.card__lead{margin:.25rem 0 0}
            .copy{max-width:44rem}.copy__head{margin-top:2em}.prices{border-collapse:collapse;width:100%}.prices__row>*{padding:.35em .5em;border-bottom:1px solid var(--edge);text-align:start}
            @media (max-width:40rem){.menu__column{flex-basis:100%}.cards{grid-template-columns:1fr}}@media print{.menu,.related{display:none}}
            </style>
            <script type="application/ld+json">{"@context":"https://schema.org","@type":"Organization","name":"Large Site of Boats"}</script>
            <script>document.documentElement.classList.add("with-scripts");window.addEventListener("load",function(){document.body.dataset.ready="yes"});</script>
            """;

    private final int pages;
    private final String[] blocks = new String[BLOCKS];
    private final String[] tables = new String[BLOCKS];
    private final String navigation;
    private final String footer;

    LargeSite(int pages) {
        this.pages = pages;
        Random random = new Random(1);
        for (int i = 0; i < BLOCKS; i++) {
            blocks[i] = block(random);
            tables[i] = table(random);
        }
        navigation = "<header class=\"site-header\" role=\"banner\"><nav class=\"menu\" aria-label=\"Main\">"
                + menus(random, 1)
                + "</nav></header>";
        footer = "<footer class=\"site-footer\" role=\"contentinfo\"><nav class=\"menu\" aria-label=\"More\">"
                + menus(random, MENUS * LINKS_A_MENU + 1)
                + "</nav><p class=\"small-print\">Large Site of Boats, Made-up Quay 1</p></footer>";
    }

    /** The page at a path; null where there is none. */
    String page(String path) {
        int number = number(path);
        if (number < 0 || number >= pages) return null;
        Random random = new Random(number * 31L);
        StringBuilder html = new StringBuilder(30_000);
        html.append("<!doctype html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n");
        head(html, number, random);
        html.append("</head>\n<body class=\"page page--wide\">\n").append(navigation);
        html.append("\n<main id=\"content\">\n<h1 class=\"page-title\">")
                .append(words(random, 4))
                .append("</h1>\n<section class=\"cards\" aria-label=\"Below this page\">\n");
        for (int i = 1; i <= 10; i++) {
            int below = number * 10 + i;
            card(html, below < pages ? below : (number * 7 + i * 131) % pages, random);
        }
        html.append("</section>\n<article class=\"copy\">\n");
        for (int i = 0; i < BLOCKS_A_PAGE; i++) html.append(blocks[(number * 7 + i * 5) % BLOCKS]);
        html.append(tables[number % BLOCKS]);
        html.append("</article>\n<aside class=\"related\"><h2>Related</h2>\n<ul class=\"related__list\">\n");
        for (int i = 0; i < RELATED; i++) {
            html.append("<li class=\"related__item\">")
                    .append(link("related__link", random.nextInt(pages), words(random, 3)))
                    .append("</li>\n");
        }
        return html.append("</ul></aside>\n</main>\n")
                .append(footer)
                .append("\n</body>\n</html>\n")
                .toString();
    }

    private static void head(StringBuilder html, int number, Random random) {
        if (number % 50 != 7) {
            html.append("<title>")
                    .append(words(random, 4 + number % 9))
                    .append(' ')
                    .append(number % 40 == 3 ? "same" : number)
                    .append(" | Large Site of Boats</title>\n");
        }
        if (number % 10 != 4) {
            html.append("<meta name=\"description\" content=\"")
                    .append(words(random, 10 + number % 14))
                    .append(".\">\n");
        }
        html.append(HEAD)
                .append("<meta property=\"og:title\" content=\"")
                .append(words(random, 5))
                .append("\">\n");
    }

    private static void card(StringBuilder html, int to, Random random) {
        html.append("<div class=\"card card--with-picture\" data-id=\"")
                .append(to)
                .append("\">\n  <div class=\"card__picture\"><img class=\"picture\" src=\"/static/pictures/")
                .append(to)
                .append("-640.jpg\" srcset=\"/static/pictures/")
                .append(to)
                .append("-320.jpg 320w, /static/pictures/")
                .append(to)
                .append(
                        "-640.jpg 640w\" sizes=\"(min-width: 60em) 20em, 100vw\" width=\"640\" height=\"427\" loading=\"lazy\" alt=\"")
                .append(words(random, 4))
                .append("\"></div>\n  <div class=\"card__text\"><h3 class=\"card__title\">")
                .append(link("card__link", to, words(random, 3)))
                .append("</h3>\n  <p class=\"card__lead\">")
                .append(words(random, 12))
                .append(".</p></div>\n</div>\n");
    }

    private String menus(Random random, int first) {
        StringBuilder html = new StringBuilder();
        for (int menu = 0; menu < MENUS; menu++) {
            html.append("\n<div class=\"menu__column\"><span class=\"menu__head\">")
                    .append(words(random, 1))
                    .append("</span>\n<ul class=\"menu__list\">\n");
            for (int i = 0; i < LINKS_A_MENU; i++) {
                html.append("<li class=\"menu__item\">")
                        .append(link("menu__link", (first + menu * LINKS_A_MENU + i) % pages, words(random, 2)))
                        .append("</li>\n");
            }
            html.append("</ul></div>");
        }
        return html.toString();
    }

    private static String block(Random random) {
        return "<h2 class=\"copy__head\" id=\"" + words(random, 1) + "\">" + words(random, 3)
                + "</h2>\n<p class=\"copy__text\">" + words(random, 20) + " <strong>" + words(random, 2) + "</strong> "
                + words(random, 14) + ", <em>" + words(random, 1) + "</em> " + words(random, 12) + ".</p>\n"
                + "<ul class=\"copy__points\"><li>" + words(random, 4) + "</li><li>" + words(random, 5)
                + "</li></ul>\n";
    }

    private static String table(Random random) {
        StringBuilder html = new StringBuilder("<table class=\"prices\"><tbody>\n");
        for (int i = 0; i < ROWS; i++) {
            html.append("<tr class=\"prices__row\"><th scope=\"row\" class=\"prices__name\">")
                    .append(words(random, 2))
                    .append("</th><td class=\"prices__time\">")
                    .append(1 + random.nextInt(8))
                    .append(" h</td><td class=\"prices__price\">&pound;")
                    .append(10 + random.nextInt(90))
                    .append("</td></tr>\n");
        }
        return html.append("</tbody></table>\n").toString();
    }

    private static String link(String style, int to, String text) {
        String address = to == 0 ? "/" : "/page-" + to + ".html";
        return "<a class=\"" + style + "\" href=\"" + address + "\">" + text + "</a>";
    }

    private static int number(String path) {
        if (path.equals("/")) return 0;
        if (!path.startsWith("/page-") || !path.endsWith(".html")) return -1;
        try {
            return Integer.parseInt(path.substring(6, path.length() - 5));
        } catch (NumberFormatException e) {
            return -1;
        }
    }

    private static String words(Random random, int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            if (i > 0) text.append(' ');
            text.append(WORDS[random.nextInt(WORDS.length)]);
        }
        return text.toString();
    }
}
