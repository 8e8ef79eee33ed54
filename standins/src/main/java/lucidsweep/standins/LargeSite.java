package lucidsweep.standins;

import java.util.Random;

/** A site of any size for measurements: page n links to pages 10n+1 to 10n+10, each about 25 KB. */
final class LargeSite {

    private static final String[] WORDS =
            ("boat paddle tide slip harbour guide wind cedar hull varnish rope chart morning island cove seal heron estuary lesson"
                            + " beginner double rental group booking season water shore bay creek lantern light swell calm")
                    .split(" ");

    private final int pages;

    private static final int BLOCKS = 64;
    private static final int BLOCKS_A_PAGE = 11;

    private final String[] blocks = new String[BLOCKS];

    LargeSite(int pages) {
        this.pages = pages;
        Random random = new Random(1);
        for (int i = 0; i < BLOCKS; i++) {
            StringBuilder block = new StringBuilder(2_600);
            while (block.length() < 2_300)
                block.append("<p>").append(words(random, 60)).append(".</p>\n");
            blocks[i] = block.toString();
        }
    }

    /** The page at a path; null where there is none. */
    String page(String path) {
        int number = number(path);
        if (number < 0 || number >= pages) return null;
        Random random = new Random(number * 31L);
        StringBuilder html = new StringBuilder(27_000);
        html.append("<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\">");
        if (number % 50 != 7) {
            html.append("<title>")
                    .append(words(random, 4 + number % 9))
                    .append(' ')
                    .append(number % 40 == 3 ? "same" : number)
                    .append(" | Large Site of Boats</title>");
        }
        if (number % 10 != 4) {
            html.append("<meta name=\"description\" content=\"")
                    .append(words(random, 10 + number % 14))
                    .append(".\">");
        }
        html.append("</head><body><h1>").append(words(random, 4)).append("</h1><ul>");
        for (int i = 1; i <= 10; i++) {
            int to = number * 10 + i;
            if (to < pages)
                html.append("<li><a href=\"/page-")
                        .append(to)
                        .append(".html\">")
                        .append(words(random, 3))
                        .append("</a></li>");
        }
        html.append("</ul>");
        for (int i = 0; i < BLOCKS_A_PAGE; i++) html.append(blocks[(number * 7 + i * 5) % BLOCKS]);
        return html.append("<p><a href=\"/\">start</a></p></body></html>").toString();
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
