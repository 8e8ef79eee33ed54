package lucidsweep.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What the stand-in search engine reports is made of what was planted, and only grows with time. */
class SearchReportsTest {

    private static final URI SITE = URI.create("http://site.example/");
    private static final DemoSite DEMO = DemoSite.ofSeed(7);
    private static final SearchMarket MARKET = SearchMarket.of(DEMO, 7);
    private static final Pattern ROW =
            Pattern.compile("\\{\"page\":\"http://site.example(/[^\"]*)\",\"query\":\"([^\"]+)\","
                    + "\"country\":\"(gb|ie)\",\"from\":\"([\\d-]+)\",\"to\":\"([\\d-]+)\",\"clicks\":(\\d+),"
                    + "\"impressions\":(\\d+),\"position\":([\\d.]+)\\}");

    private static List<String> rows(int daysLater) {
        return SearchReports.rows(MARKET, SITE, SearchReports.FIRST_TODAY.plusDays(daysLater));
    }

    @Test
    void seventyWeeksAreReportedADayLateAndNothingThatIsSeldomShown() {
        Set<String> weeks = new HashSet<>();
        for (String row : rows(0)) {
            Matcher parts = ROW.matcher(row);
            assertThat(parts.matches()).as(row).isTrue();
            weeks.add(parts.group(4));
            assertThat(Long.parseLong(parts.group(7))).isGreaterThanOrEqualTo(3);
            assertThat(Long.parseLong(parts.group(6))).isLessThanOrEqualTo(Long.parseLong(parts.group(7)));
            assertThat(Double.parseDouble(parts.group(8))).isGreaterThanOrEqualTo(1);
            assertThat(parts.group(5)).isLessThan("2026-11-23");
        }
        assertThat(weeks).hasSize(70).contains("2026-11-16").doesNotContain("2026-11-23");
    }

    @Test
    void timeOnlyAddsToWhatWasReported() {
        assertThat(rows(0)).isEqualTo(rows(0)).isEqualTo(rows(6));
        List<String> later = rows(7);
        assertThat(later).anyMatch(row -> row.contains("\"from\":\"2026-11-23\""));
        assertThat(new HashSet<>(later))
                .containsAll(rows(0).stream()
                        .filter(row -> !row.contains("\"from\":\"2025-07-21\""))
                        .toList());
    }

    @Test
    void theClicksFollowTheCurveAndTheBrandsDoNot() {
        Map<Integer, double[]> sums = new HashMap<>();
        Set<String> brand = new HashSet<>();
        for (SearchMarket.Truth truth : MARKET.truths()) if (truth.kind().equals("brand")) brand.add(truth.query());
        double[] brandSums = new double[2];
        for (String row : rows(0)) {
            Matcher parts = ROW.matcher(row);
            if (!parts.matches()) continue;
            int position = (int) Math.round(Double.parseDouble(parts.group(8)));
            double[] into =
                    brand.contains(parts.group(2)) ? brandSums : sums.computeIfAbsent(position, any -> new double[2]);
            into[0] += Double.parseDouble(parts.group(6));
            into[1] += Double.parseDouble(parts.group(7));
        }
        for (int position : new int[] {3, 5, 8, 12}) {
            double rate = sums.get(position)[0] / sums.get(position)[1];
            double truth = SearchReports.rate(position);
            assertThat(rate).as("rate at %d", position).isCloseTo(truth, within(0.12 * truth));
        }
        assertThat(brandSums[0] / brandSums[1]).isGreaterThan(0.5);
    }

    @Test
    void everythingThatWasPlantedIsOfAPageThatIsThere() {
        assertThat(MARKET.truths())
                .extracting(SearchMarket.Truth::kind)
                .contains("home", "better", "too-early", "served");
        for (SearchMarket.Truth truth : MARKET.truths())
            assertThat(DEMO.pages()).containsKey(truth.path());
        Map<String, Integer> better = new HashMap<>();
        for (SearchMarket.Truth truth : MARKET.truths()) {
            if (truth.kind().equals("better")) better.merge(truth.path(), 1, Integer::sum);
        }
        assertThat(better)
                .hasSize(12)
                .allSatisfy((path, count) -> assertThat(count).isEqualTo(1));
    }
}
