package lucidsweep.core.aim;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;

/**
 * A pottery school that is only in the tests, with noisy demand and untidy pages: half the titles carry more than they need,
 * headings are missing, copy mentions everything. What each page is for, and what was planted besides, is known.
 */
final class MadeUpPottery {

    static final int TODAY = 20_400;
    static final List<String> BRAND = List.of("Hollow Hill Pottery", "hollowhill");
    private static final String SITE = "https://hollowhill.example/";
    private static final String[] CRAFTS = {
        "raku",
        "porcelain",
        "stoneware",
        "slipware",
        "salt glaze",
        "hand building",
        "wheel throwing",
        "tile making",
        "mosaic",
        "kiln building",
        "mould making",
        "glaze mixing"
    };
    private static final String[] FORMS = {"course", "weekend", "evening class", "gift voucher", "tools", "for children"
    };

    private final Random random;
    final Map<String, Integer> keywords = new LinkedHashMap<>();
    final Map<String, String> homes = new LinkedHashMap<>();
    final Map<String, String> better = new LinkedHashMap<>();
    final Set<String> forbidden = new LinkedHashSet<>();
    final Set<String> gaps = new LinkedHashSet<>();
    private final List<Page> pages = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    private record Page(String address, ItemTexts texts, int published) {}

    private record Row(String address, String query, int from, long clicks, long shown, double position) {}

    MadeUpPottery(long seed) {
        random = new Random(seed);
        for (String craft : CRAFTS) for (String form : FORMS) page(craft, form);
        plantGaps();
        demand(SITE, "hollow hill pottery", 900, 1.1, 1.1, 0.7);
        demand(SITE, "holow hill pottery", 150, 1.2, 1.2, 0.7);
    }

    /** The truth of the click curve. */
    static double rate(double position) {
        return 0.26 * Math.pow(position, -1.05);
    }

    private void page(String craft, String form) {
        String phrase = craft + " " + form;
        String slug = phrase.replace(' ', '-');
        String address = SITE + (form.equals("tools") ? "shop/" : "learn/") + slug + "/";
        String title = one(phrase, "The " + phrase, phrase + " in our studio", "Your " + phrase + ": dates and prices")
                + one("", "", " | Hollow Hill Pottery");
        String h1 = random.nextInt(5) == 0 ? "" : one(phrase, "All about the " + phrase, phrase + "s");
        String copy = (one("Clay, time and tea. ", "Bring an apron. ") + "We also teach "
                        + CRAFTS[random.nextInt(CRAFTS.length)] + " and sell " + CRAFTS[random.nextInt(CRAFTS.length)]
                        + " tools. A " + FORMS[random.nextInt(FORMS.length)] + " is a fine gift. ")
                .repeat(1 + random.nextInt(8));
        String links = random.nextInt(3) == 0 ? "" : phrase + " . " + one("read more", craft, phrase);
        int kind = random.nextInt(12);
        boolean young = kind == 0;
        pages.add(new Page(
                address, new ItemTexts(title, h1, slug.replace('-', ' '), "", links, copy), young ? TODAY - 40 : -1));
        keywords.put(phrase, 20 + random.nextInt(150));
        homes.put(address, phrase);
        double position = 2 + random.nextDouble() * 14;
        demand(address, phrase, 20 + random.nextInt(120), position, position, 0);
        String wanted = craft + " " + form.split(" ")[0] + one(" prices", " ideas", " online");
        if (young) {
            forbidden.add(address + " " + wanted);
            demand(address, wanted, 3_000, 12, 12, 0);
        } else if (kind <= 2) {
            better.put(address, wanted);
            demand(address, wanted, 1_500 + random.nextInt(2_000), 26, 8 + random.nextInt(6), 0);
            if (random.nextBoolean()) keywords.put(wanted, 3_000);
        } else if (kind <= 4 && pages.size() > 1) {
            String other = homes.get(pages.get(pages.size() - 2).address);
            forbidden.add(address + " " + other);
            demand(address, other, 2_500, 22, 19, 0);
        }
    }

    private void plantGaps() {
        for (String phrase : List.of(
                "clay delivery",
                "kiln hire",
                "pottery birthday party",
                "studio membership",
                "clay recycling",
                "ceramic transfers")) {
            gaps.add(phrase);
            keywords.put(phrase, 200 + random.nextInt(900));
        }
        keywords.put("hollow hill pottery opening hours", 300);
    }

    /** Fifty-two weeks of a page and a query, with half as much noise again as there is signal in a small week. */
    private void demand(String address, String query, double monthly, double before, double now, double brandRate) {
        for (int week = 0; week < 52; week++) {
            double moved = now + (before - now) * Math.min(1, week / 20.0);
            double position = Math.max(1, moved * (1 + random.nextGaussian() * 0.15));
            double seen = position <= 10 ? 1 : position <= 20 ? 0.6 : 0.3;
            long shown = Math.round(monthly / 4.35 * seen * Math.exp(random.nextGaussian() * 0.4));
            if (shown < 2) continue;
            double rate = (brandRate > 0 ? brandRate : rate(position)) * Math.exp(random.nextGaussian() * 0.3);
            long clicks = 0;
            for (int i = 0; i < shown; i++) if (random.nextDouble() < rate) clicks++;
            rows.add(new Row(address, query, TODAY - 7 * week - 6, clicks, shown, position));
        }
    }

    private String one(String... texts) {
        return texts[random.nextInt(texts.length)];
    }

    KeywordMapper aiming() {
        KeywordMapper aiming = new KeywordMapper(
                Words.in("en"), Standard.ofPages(), BRAND, "Hollow Hill Pottery", List.of(), TODAY, false);
        keywords.forEach(aiming::keyword);
        for (Row row : rows) {
            aiming.demand(row.address, row.query, row.from, row.from + 6, row.clicks, row.shown, row.position);
        }
        for (int i = 0; i < pages.size(); i++) {
            Page page = pages.get(i);
            aiming.item(i, page.address, "/learn/", page.texts, page.published);
        }
        return aiming;
    }

    String address(long item) {
        return pages.get((int) item).address;
    }
}
