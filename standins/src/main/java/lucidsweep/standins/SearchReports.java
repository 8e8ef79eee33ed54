package lucidsweep.standins;

import java.net.URI;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What the stand-in search engine reports: item by query by country by week, seventy weeks of it, a day late, without rows
 * that are shown too seldom. The same day gives the same rows, and a later day only adds to them.
 */
public final class SearchReports {

    /** Where its time begins. */
    public static final LocalDate FIRST_TODAY = LocalDate.of(2026, 11, 23);

    private static final int WEEKS = 70;
    private static final int QUARTER = 13;
    private static final int MIN_SHOWN = 3;
    private static final int NOISE = 15;

    private SearchReports() {}

    private record Country(String code, double share) {}

    private static final List<Country> COUNTRIES = List.of(new Country("gb", 0.82), new Country("ie", 0.18));

    /** The clicks an impression at a position brings, other than for the brand. */
    static double rate(double position) {
        return 0.31 * Math.pow(position, -1.18);
    }

    /** The rows as JSON objects. */
    static List<String> rows(SearchMarket market, URI website, LocalDate today) {
        LocalDate lastSunday = today.minusDays(1).with(TemporalAdjusters.previousOrSame(DayOfWeek.SUNDAY));
        List<String> rows = new ArrayList<>();
        for (int weeksAgo = WEEKS - 1; weeksAgo >= 0; weeksAgo--) {
            LocalDate sunday = lastSunday.minusWeeks(weeksAgo);
            int sinceStart = (int) ((FIRST_TODAY.toEpochDay() - sunday.toEpochDay()) / 7);
            for (SearchMarket.Interest interest : market.interests()) {
                if (isBeforeItsTime(interest, sunday)) continue;
                for (Country country : COUNTRIES) {
                    String row = row(interest, country, sunday, Math.max(0, sinceStart), website);
                    if (row != null) rows.add(row);
                }
            }
        }
        return rows;
    }

    /** The clicks of a page a month, as it is and if nothing were wrong with it. */
    public record Clicks(String path, double now, double faultless) {

        private String json() {
            return String.format(
                    Locale.ROOT, "{\"page\":\"%s\",\"now\":%.2f,\"faultless\":%.2f}", path, now, faultless);
        }
    }

    /** What the searchers would do, over the last thirteen weeks; queries for the brand are left out. */
    public static List<Clicks> truth(SearchMarket market, LocalDate today) {
        LocalDate lastSunday = today.minusDays(1).with(TemporalAdjusters.previousOrSame(DayOfWeek.SUNDAY));
        Map<String, Clicks> byPage = new TreeMap<>();
        for (SearchMarket.Interest interest : market.interests()) {
            if (interest.brand()) continue;
            for (int weeksAgo = 0; weeksAgo < QUARTER; weeksAgo++) {
                LocalDate sunday = lastSunday.minusWeeks(weeksAgo);
                double position = interest.position(weeksAgo);
                double shown = interest.monthly() * 12 / 52 * interest.season(sunday.getMonthValue()) * seen(position);
                Clicks clicks = new Clicks(
                        interest.path(),
                        shown * rate(position) * Math.exp(interest.appeal()) / 3,
                        shown * rate(Math.max(1, position / interest.lower())) / 3);
                byPage.merge(
                        interest.path(),
                        clicks,
                        (one, other) -> new Clicks(one.path, one.now + other.now, one.faultless + other.faultless));
            }
        }
        return List.copyOf(byPage.values());
    }

    /** The truth as JSON. */
    static String truthJson(SearchMarket market, LocalDate today) {
        return truth(market, today).stream().map(Clicks::json).collect(Collectors.joining(",\n", "[", "]"));
    }

    /** The share of searches in which a result is looked at. */
    private static double seen(double position) {
        return position <= 10 ? 1 : position <= 20 ? 0.55 : 0.25;
    }

    private static boolean isBeforeItsTime(SearchMarket.Interest interest, LocalDate sunday) {
        return Newcomers.PAGES.stream()
                .anyMatch(page -> page.path.equals(interest.path())
                        && LocalDate.parse(page.published).isAfter(sunday.minusDays(6)));
    }

    private static String row(
            SearchMarket.Interest interest, Country country, LocalDate sunday, int weeksAgo, URI website) {
        Random random = new Random((interest.path() + interest.query() + country.code + sunday).hashCode());
        double position = Math.max(1, interest.position(weeksAgo) * (1 + random.nextGaussian() * 0.06));
        double expected =
                interest.monthly() * 12 / 52 * interest.season(sunday.getMonthValue()) * country.share * seen(position);
        long shown = Math.round(expected * (1 + random.nextGaussian() / NOISE * 3));
        if (shown < MIN_SHOWN) return null;
        double rate = interest.brand() ? 0.62 : rate(position) * Math.exp(interest.appeal());
        long clicks = 0;
        for (int i = 0; i < shown; i++) if (random.nextDouble() < rate) clicks++;
        return String.format(
                Locale.ROOT,
                "{\"page\":\"%s\",\"query\":\"%s\",\"country\":\"%s\",\"from\":\"%s\",\"to\":\"%s\",\"clicks\":%d,\"impressions\":%d,\"position\":%.1f}",
                website.resolve(interest.path()),
                interest.query(),
                country.code,
                sunday.minusDays(6),
                sunday,
                clicks,
                shown,
                position);
    }
}
