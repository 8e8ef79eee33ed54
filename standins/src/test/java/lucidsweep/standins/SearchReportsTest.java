package lucidsweep.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
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

    private static final List<String> ROWS = rows(0);

    private static List<String> rows(int daysLater) {
        return SearchReports.rows(MARKET, SITE, SearchReports.FIRST_TODAY.plusDays(daysLater));
    }

    @Test
    void seventyWeeksAreReportedADayLateAndNothingThatIsSeldomShown() {
        Set<String> weeks = new HashSet<>();
        for (String row : ROWS) {
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
        assertThat(rows(6)).isEqualTo(ROWS);
        List<String> later = rows(7);
        assertThat(later).anyMatch(row -> row.contains("\"from\":\"2026-11-23\""));
        List<String> stillTold = ROWS.stream()
                .filter(row -> !row.contains("\"from\":\"2025-07-21\""))
                .toList();
        assertThat(new HashSet<>(later).containsAll(stillTold)).isTrue();
    }

    @Test
    void theClicksFollowTheCurveAndTheBrandsDoNot() {
        Map<Integer, double[]> sums = new HashMap<>();
        Set<String> brand = new HashSet<>();
        for (SearchMarket.Truth truth : MARKET.truths()) if (truth.kind().equals("brand")) brand.add(truth.query());
        double[] brandSums = new double[2];
        for (String row : ROWS) {
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

    @Test
    void isServedPageByPageAndGoesOnWithTime() throws IOException, InterruptedException {
        try (Website website = Website.ofDemo(DEMO, 0)) {
            HttpClient http = HttpClient.newHttpClient();
            URI start = website.address().resolve("/search/demand");
            int before = all(http, start);
            assertThat(before).isGreaterThan(30_000);
            URI clock = website.address().resolve("/search/clock?days=14");
            http.send(
                    HttpRequest.newBuilder(clock)
                            .POST(HttpRequest.BodyPublishers.noBody())
                            .build(),
                    HttpResponse.BodyHandlers.discarding());
            HttpResponse<String> first = asked(http, start);
            assertThat(first.headers().firstValue("Link")).hasValue("</search/demand?page=2>; rel=\"next\"");
            assertThat(first.body()).contains("\"from\":\"2025-08-04\"").doesNotContain("\"from\":\"2025-07-21\"");
        }
    }

    /** A title that loses the words people search for does harm, one that gains them helps, and the rest of the world goes on. */
    @Test
    void whatIsPutLiveMovesItsPageAndItCanBeAskedWhatWouldHaveBeen() throws IOException, InterruptedException {
        try (Website website = Website.ofDemo(DEMO, 0)) {
            String harmed = MARKET.truths().stream()
                    .filter(truth -> truth.kind().equals("home") && truth.path().startsWith("/hire/"))
                    .findFirst()
                    .orElseThrow()
                    .path();
            SearchMarket.Interest faulty = SearchMarket.of(DEMO, 7, Searchers.OF_DEMO).interests().stream()
                    .filter(interest -> Searchers.OF_DEMO.appealOf(DEMO, interest.path(), "title") < 0)
                    .filter(interest -> interest.now() > 2)
                    .findFirst()
                    .orElseThrow();
            String fixed = faulty.path();
            String words = faulty.query();
            website.content().changeByHand("pages", harmed, "title", "Boats to rent");
            website.content().changeByHand("pages", fixed, "title", words + " with a guide");
            HttpClient http = HttpClient.newHttpClient();
            URI changed = website.address().resolve("/search/changed");
            assertThat(asked(http, changed).body()).isEqualTo("[]");
            String then =
                    asked(http, website.address().resolve("/files/results.csv")).body();
            http.send(
                    HttpRequest.newBuilder(website.address().resolve("/search/clock?days=70"))
                            .POST(HttpRequest.BodyPublishers.noBody())
                            .build(),
                    HttpResponse.BodyHandlers.discarding());
            Matcher pages = Pattern.compile("\"page\":\"([^\"]+)\",\"clicks\":([\\d.]+),\"without\":([\\d.]+)")
                    .matcher(asked(http, changed).body());
            Map<String, Double> times = new HashMap<>();
            while (pages.find())
                times.put(pages.group(1), Double.parseDouble(pages.group(2)) / Double.parseDouble(pages.group(3)));
            assertThat(times).containsOnlyKeys(harmed, fixed);
            assertThat(times.get(harmed)).isLessThan(0.9);
            assertThat(times.get(fixed)).isGreaterThan(1.1);
            String now =
                    asked(http, website.address().resolve("/files/results.csv")).body();
            assertThat(now).isNotEqualTo(then).contains(",2027-02-01");
        }
    }

    private static int all(HttpClient http, URI start) throws IOException, InterruptedException {
        int rows = 0;
        for (URI at = start; at != null; ) {
            HttpResponse<String> answer = asked(http, at);
            rows += answer.body().split("\"query\"").length - 1;
            String next = answer.headers().firstValue("Link").orElse("");
            at = next.isEmpty() ? null : at.resolve(next.substring(1, next.indexOf('>')));
        }
        return rows;
    }

    /** Asks again where a rest is asked for or a fault is made. */
    private static HttpResponse<String> asked(HttpClient http, URI address) throws IOException, InterruptedException {
        HttpResponse<String> answer;
        do {
            answer = http.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).isIn(200, 429, 500);
        } while (answer.statusCode() != 200);
        return answer;
    }
}
