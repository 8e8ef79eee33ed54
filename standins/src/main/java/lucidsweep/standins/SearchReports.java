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

    /** The rows as JSON objects, of a market in which nobody changes anything. */
    static List<String> rows(SearchMarket market, URI website, LocalDate today) {
        return rows(SearchWorld.still(market, FIRST_TODAY), website, today);
    }

    /** The rows as JSON objects. */
    static List<String> rows(SearchWorld world, URI website, LocalDate today) {
        LocalDate lastSunday = today.minusDays(1).with(TemporalAdjusters.previousOrSame(DayOfWeek.SUNDAY));
        List<String> rows = new ArrayList<>();
        for (int weeksAgo = WEEKS - 1; weeksAgo >= 0; weeksAgo--) {
            LocalDate sunday = lastSunday.minusWeeks(weeksAgo);
            for (SearchMarket.Interest interest : world.market().interests()) {
                if (Newcomers.isOne(interest.path()) && isBeforeItsTime(world, interest, sunday)) continue;
                for (Country country : COUNTRIES) {
                    String row = row(world, interest, country, sunday, website);
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

    /**
     * What the searchers would do in an average month of the year, where pages stand as in the last thirteen weeks; queries for
     * the brand are left out.
     */
    public static List<Clicks> truth(SearchMarket market) {
        Map<String, Clicks> byPage = new TreeMap<>();
        for (SearchMarket.Interest interest : market.interests()) {
            if (interest.brand()) continue;
            for (int weeksAgo = 0; weeksAgo < QUARTER; weeksAgo++) {
                double position = interest.position(weeksAgo);
                double shown = interest.monthly() * 12 / 52 * seen(position);
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
    static String truthJson(SearchMarket market) {
        return truth(market).stream().map(Clicks::json).collect(Collectors.joining(",\n", "[", "]"));
    }

    /**
     * The clicks of pages that were changed, from the week on in which result pages showed it: as they are and as they would be
     * if nobody had changed anything, on average, without any noise.
     */
    public record Changed(String path, double clicks, double without) {

        private String json() {
            return String.format(
                    Locale.ROOT, "{\"page\":\"%s\",\"clicks\":%.2f,\"without\":%.2f}", path, clicks, without);
        }
    }

    /** What every change brought until today. */
    static List<Changed> changed(SearchWorld world, LocalDate today) {
        LocalDate lastSunday = today.minusDays(1).with(TemporalAdjusters.previousOrSame(DayOfWeek.SUNDAY));
        Map<String, Changed> byPage = new TreeMap<>();
        for (LocalDate sunday = lastSunday; !sunday.isBefore(world.start()); sunday = sunday.minusWeeks(1)) {
            for (SearchMarket.Interest interest : world.market().interests()) {
                if (interest.brand() || world.inForce(interest.path(), sunday).isEmpty()) continue;
                Changed week = new Changed(
                        interest.path(), clicks(world, interest, sunday, true), clicks(world, interest, sunday, false));
                byPage.merge(
                        interest.path(),
                        week,
                        (one, other) -> new Changed(one.path, one.clicks + other.clicks, one.without + other.without));
            }
        }
        return List.copyOf(byPage.values());
    }

    private static double clicks(SearchWorld world, SearchMarket.Interest interest, LocalDate sunday, boolean changed) {
        double position = world.position(interest, sunday, changed);
        double shown = interest.monthly() * 12 / 52 * interest.season(sunday.getMonthValue()) * seen(position);
        return shown * rate(position) * Math.exp(world.appeal(interest, sunday, changed));
    }

    /** The same as JSON. */
    static String changedJson(SearchWorld world, LocalDate today) {
        return changed(world, today).stream().map(Changed::json).collect(Collectors.joining(",\n", "[", "]"));
    }

    /** The share of searches in which a result is looked at. */
    private static double seen(double position) {
        return position <= 10 ? 1 : position <= 20 ? 0.55 : 0.25;
    }

    private static boolean isBeforeItsTime(SearchWorld world, SearchMarket.Interest interest, LocalDate sunday) {
        return Newcomers.pages(world.start()).stream()
                .anyMatch(page -> page.path.equals(interest.path())
                        && LocalDate.parse(page.published).isAfter(sunday.minusDays(6)));
    }

    private static String row(
            SearchWorld world, SearchMarket.Interest interest, Country country, LocalDate sunday, URI website) {
        Random random = new Random((interest.path() + interest.query() + country.code + sunday).hashCode());
        double position = Math.max(1, world.position(interest, sunday, true) * (1 + random.nextGaussian() * 0.06));
        double expected =
                interest.monthly() * 12 / 52 * interest.season(sunday.getMonthValue()) * country.share * seen(position);
        long shown = Math.round(expected * (1 + random.nextGaussian() / NOISE * 3));
        if (shown < MIN_SHOWN) return null;
        double rate = interest.brand() ? 0.62 : rate(position) * Math.exp(world.appeal(interest, sunday, true));
        long clicks = 0;
        for (int i = 0; i < shown; i++) if (random.nextDouble() < rate) clicks++;
        String where = text("page", website.resolve(interest.path())) + text("query", interest.query());
        String when = text("country", country.code) + text("from", sunday.minusDays(6)) + text("to", sunday);
        double rounded = Math.round(position * 10) / 10.0;
        return "{" + where + when + "\"clicks\":" + clicks + ",\"impressions\":" + shown + ",\"position\":" + rounded
                + "}";
    }

    /** A name and a text of an object. A report has tens of thousands of rows: a format would be read anew for each. */
    private static String text(String name, Object value) {
        return "\"" + name + "\":\"" + value + "\",";
    }
}
