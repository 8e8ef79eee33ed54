package lucidsweep.standins;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/** A keyword list as a research tool would give it: phrases with monthly volume and competition. */
public final class KeywordFile {

    private static final int MONTHS = 24;
    private static final YearMonth FIRST_MONTH = YearMonth.of(2024, 11);

    private final Random random;
    private final Set<String> phrases = new LinkedHashSet<>();

    public KeywordFile(long seed) {
        random = new Random(seed);
        for (Place place : Place.ALL) {
            String where = place.name().toLowerCase(Locale.ROOT);
            for (String tour : Sections.TOURS) phrases.add(tour.toLowerCase(Locale.ROOT) + " " + where);
            for (String craft : Sections.CRAFT)
                phrases.add(craft.toLowerCase(Locale.ROOT).replace("’", "") + " hire " + where);
            phrases.addAll(List.of(
                    "kayaking " + where,
                    "canoe trip " + where,
                    "things to do " + where,
                    "kayak lessons " + where,
                    "kayak tour " + where));
        }
        phrases.addAll(List.of(
                "kayak hire",
                "kayak hire near me",
                "guided kayak tour",
                "kayak lessons for beginners",
                "kayak rolling lesson",
                "sea kayak course",
                "family kayak trip",
                "kayak fishing trip",
                "build your own kayak",
                "wooden kayak kit",
                "cedar strip kayak",
                "stitch and glue kayak",
                "wooden canoe kit",
                "greenland paddle",
                "carve a paddle",
                "kayak repair",
                "canoe restoration",
                "skin on frame kayak",
                "kayak trolley",
                "spray deck",
                "buoyancy aid",
                "dry bag",
                "kayak wall rack",
                "paddle float",
                "bilge pump kayak",
                "kayak roof straps",
                "neoprene boots",
                "kayak sail",
                "deck compass",
                "tow line kayak",
                "camping by kayak",
                "what to wear kayaking",
                "kayaking in winter",
                "kayaking with children",
                "night kayaking",
                "kayak surf landing",
                "kayak self rescue",
                "tide tables tarrin bay",
                "seal watching tarrin bay",
                "sea caves by kayak",
                "paddleboard hire tarrin bay",
                "kayak gift voucher",
                "team building kayaking",
                "tarrin bay kayaks",
                "tarrin kayak",
                "kayaking holidays",
                "canoe hire tarrin bay",
                "double kayak for sale",
                "fast touring kayak",
                "children kayak lessons",
                "kayak guide training",
                "women kayaking group",
                "kayaking over sixty",
                "bird watching by boat",
                "island day trip kayak",
                "kayak storage winter",
                "boat varnish"));
    }

    /** Most of the phrases that pages begin to be shown for; of the others the research tool knows nothing. */
    private static Map<String, Integer> rising() {
        Map<String, Integer> volumes = new LinkedHashMap<>();
        for (int i = 0; i < SearchMarket.RISING; i++) {
            if (i % 6 != 3) volumes.put(SearchMarket.risingQuery(i), SearchMarket.risingSearches(i));
        }
        for (SitePage page : Newcomers.PAGES) {
            volumes.put(page.name.toLowerCase(Locale.ROOT).replace(" in ", " "), 40);
            volumes.put(Newcomers.wanted(page), 1_400);
        }
        return volumes;
    }

    public int size() {
        return phrases.size() + rising().size();
    }

    public String csv() {
        StringBuilder csv = new StringBuilder("Keyword,Monthly searches,Competition,Country");
        for (int month = 0; month < MONTHS; month++) csv.append(',').append(FIRST_MONTH.plusMonths(month));
        csv.append("\r\n");
        for (String phrase : phrases) {
            // A coast of small towns: some dozens for most phrases, some hundreds for the short ones.
            double size = 1.6 + random.nextGaussian() * 0.7 + (phrase.split(" ").length < 3 ? 1.2 : 0);
            long volume = Math.round(Math.exp(size)) * 10;
            add(phrase, volume, csv);
        }
        rising().forEach((phrase, volume) -> add(phrase, volume, csv));
        return csv.toString();
    }

    private void add(String phrase, long volume, StringBuilder csv) {
        csv.append(phrase)
                .append(',')
                .append(written(volume))
                .append(',')
                .append(List.of("low", "medium", "high").get(random.nextInt(3)))
                .append(",gb");
        String section = section(phrase);
        Random noise = new Random(phrase.hashCode());
        for (int month = 0; month < MONTHS; month++) {
            double season =
                    SearchMarket.season(section, FIRST_MONTH.plusMonths(month).getMonthValue());
            csv.append(',').append(Math.round(volume * season * (1 + noise.nextGaussian() * 0.04)));
        }
        csv.append("\r\n");
    }

    /** The section whose season a phrase follows. */
    private static String section(String phrase) {
        if (phrase.matches(".*\\b(kit|build|varnish|carve|voucher|restoration)\\b.*")) return "workshop";
        if (phrase.contains("hire")) return "hire";
        if (phrase.matches(".*\\b(tour|paddle|trip|lessons|sunrise|sunset|caves|seals)\\b.*")) return "tours";
        return "";
    }

    private String written(long volume) {
        if (volume >= 1_000 && random.nextInt(4) == 0) return "%.1fK".formatted(volume / 1_000.0);
        return volume >= 1_000 ? "\"" + String.format(Locale.ROOT, "%,d", volume) + "\"" : String.valueOf(volume);
    }
}
