package lucidsweep.standins;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/**
 * What people search for on the marketplace and on the channel: lists of keywords by country with exact and broad figures,
 * and what the marketplace reports of the listings. Gifts are searched before the holidays, what is for fathers in June.
 */
public final class ShopSearches {

    private static final int MONTHS = 24;
    private static final YearMonth FIRST_MONTH = YearMonth.of(2024, 11);
    private static final int WEEKS = 60;
    private static final LocalDate LAST_SUNDAY = LocalDate.of(2026, 11, 22);
    private static final int MIN_SHOWN = 3;
    private static final Map<String, Double> COUNTRIES = Map.of("gb", 0.8, "ie", 0.2);
    private static final int EVERY_THIRD = 3;
    private static final int LISTINGS_OF_A_TAG = 5;

    private ShopSearches() {}

    /** How much is searched in a month for a phrase; 1 on average. */
    private static double season(String phrase, int month) {
        if (phrase.startsWith("fathers day")) return month == 6 ? 6 : month == 5 ? 3 : 0.3;
        if (phrase.contains("gift")) return month == 12 ? 3.2 : month == 11 ? 2.4 : 0.6;
        return 1;
    }

    /** Phrases of the marketplace with their searches a month; a third of the tags is in no list. */
    private static Map<String, Long> phrases() {
        Map<String, Long> phrases = new LinkedHashMap<>();
        Random random = new Random(11);
        for (String good : ShopListings.GOODS) {
            String plain = good.toLowerCase(Locale.ROOT);
            phrases.put(plain, 400L + random.nextInt(80) * 10);
            for (String wood : ShopListings.WOODS) phrases.put(wood + " " + plain, 20L + random.nextInt(20) * 10);
            phrases.put(plain + " gift", 30L + random.nextInt(30) * 10);
        }
        for (int i = 0; i < ShopListings.TAGS.length; i++) {
            if (i % EVERY_THIRD != 1) phrases.put(ShopListings.TAGS[i], 150L + random.nextInt(200) * 10);
        }
        phrases.put("kayak gift for dad", 880L);
        phrases.put("kayak gifts", 1_400L);
        phrases.put("nautical decor for a bathroom", 260L);
        return phrases;
    }

    /** The keyword list of the marketplace. */
    public static String keywords() {
        StringBuilder csv = new StringBuilder("Keyword,Exact volume,Broad volume,Competition,Country");
        for (int month = 0; month < MONTHS; month++) csv.append(',').append(FIRST_MONTH.plusMonths(month));
        csv.append("\r\n");
        phrases()
                .forEach((phrase, volume) -> COUNTRIES.forEach((country, share) -> {
                    Random noise = new Random((phrase + country).hashCode());
                    long own = Math.round(volume * share);
                    csv.append(String.format(
                            Locale.ROOT,
                            "%s,%d,%d,%s,%s",
                            phrase,
                            own,
                            Math.round(own * (2 + noise.nextDouble() * 4)),
                            noise.nextInt(3) == 0 ? "high" : "low",
                            country));
                    for (int month = 0; month < MONTHS; month++) {
                        double season =
                                season(phrase, FIRST_MONTH.plusMonths(month).getMonthValue());
                        csv.append(',').append(Math.round(own * season * (1 + noise.nextGaussian() * 0.04)));
                    }
                    csv.append("\r\n");
                }));
        return csv.toString();
    }

    /** What the marketplace reports: listing by query by country by week. */
    public static String demand() {
        StringBuilder csv = new StringBuilder("listing id,query,country,from,to,clicks,impressions,position\r\n");
        Map<String, Long> volumes = phrases();
        for (int number = 0; number < ShopListings.COUNT; number++) {
            String phrase =
                    ShopListings.wood(number) + " " + ShopListings.good(number).toLowerCase(Locale.ROOT);
            report(number, phrase, volumes.get(phrase), 3 + number % 9, csv);
        }
        for (int tag = 0; tag < ShopListings.TAGS.length; tag++) {
            Long volume = volumes.get(ShopListings.TAGS[tag]);
            if (volume == null) continue;
            for (int i = 0; i < LISTINGS_OF_A_TAG; i++) {
                int number = (tag * 7 + i * 31) % ShopListings.COUNT;
                report(number, ShopListings.TAGS[tag], volume / 2, 4 + i * 4, csv);
            }
        }
        return csv.toString();
    }

    private static void report(int number, String query, long volume, double position, StringBuilder csv) {
        for (int weeksAgo = WEEKS - 1; weeksAgo >= 0; weeksAgo--) {
            LocalDate sunday = LAST_SUNDAY.minusWeeks(weeksAgo);
            for (Map.Entry<String, Double> country : COUNTRIES.entrySet()) {
                Random random = new Random((number + query + country.getKey() + sunday).hashCode());
                double place = Math.max(1, position * (1 + random.nextGaussian() * 0.08));
                double expected = volume * 12 / 52.0 * season(query, sunday.getMonthValue()) * country.getValue();
                long shown = Math.round(expected * (1 + random.nextGaussian() * 0.2));
                if (shown < MIN_SHOWN) continue;
                long clicks = 0;
                for (int i = 0; i < shown; i++) if (random.nextDouble() < SearchReports.rate(place)) clicks++;
                csv.append(String.format(
                        Locale.ROOT,
                        "%s,%s,%s,%s,%s,%d,%d,%.1f%n",
                        ShopListings.id(number),
                        query,
                        country.getKey(),
                        sunday.minusDays(6),
                        sunday,
                        clicks,
                        shown,
                        place));
            }
        }
    }

    /** The list of what is searched among videos. */
    public static String videoKeywords() {
        StringBuilder csv = new StringBuilder("Keyword,Monthly searches\r\n");
        Random random = new Random(12);
        for (Place place : Place.ALL) {
            String where = place.name().toLowerCase(Locale.ROOT);
            csv.append("paddling to ")
                    .append(where)
                    .append(',')
                    .append(10 + random.nextInt(40) * 10)
                    .append("\r\n");
            csv.append("launch ")
                    .append(where)
                    .append(',')
                    .append(10 + random.nextInt(20) * 10)
                    .append("\r\n");
        }
        for (String phrase : ChannelVideos.SKILLS) {
            csv.append(phrase.toLowerCase(Locale.ROOT))
                    .append(',')
                    .append(90 + random.nextInt(90) * 10)
                    .append("\r\n");
        }
        for (String phrase : new String[] {
            "kayak video",
            "sea kayaking",
            "kayak lessons",
            "kayak vlog",
            "kayak camping",
            "kayak camping food",
            "kayak navigation",
            "kayak navigation compass"
        }) {
            csv.append(phrase)
                    .append(',')
                    .append(200 + random.nextInt(400) * 10)
                    .append("\r\n");
        }
        return csv.toString();
    }
}
