package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Language;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.ChannelVideos;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.KeywordFile;
import lucidsweep.standins.Planted;
import lucidsweep.standins.SearchMarket;
import lucidsweep.standins.SearchReports;
import lucidsweep.standins.Searchers;
import lucidsweep.standins.ShopListings;
import lucidsweep.standins.SitePage;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The demo client, swept and imported for real: what was planted is found, and nothing else. */
@ExtendWith(RunningApplication.class)
class DemoSiteTest {

    private static final String PLACES =
            "Gull Cove, Otter Point, Pellow Sound, Marram Sands, Skerry Island, Brackwater, "
                    + "Heron Creek, Lantern Head, Saltmeadow, Fennick, Ravensea, Thrift Bay, Kittering";

    @Test
    void findsEveryPlantedFaultAndInventsNone(Api api) throws IOException {
        DemoSite site = DemoSite.ofSeed(7);
        assertThat(site.pages()).hasSizeGreaterThanOrEqualTo(320);
        try (Website website = Website.ofDemo(site, 0)) {
            long property = api.property("website", website.address().toString(), true, PLACES);
            JsonNode job = api.sweep(property);
            assertThat(job.path("state").asString()).isEqualTo("done");

            TreeSet<String> expected = new TreeSet<>();
            for (Planted fault : site.planted())
                expected.add(fault.path() + " " + fault.field() + " " + fault.finding());
            expected.addAll(List.of("/empty title missing", "/empty description missing", "/empty h1 missing"));
            for (String odd : List.of("/latin", "/flaky", "/slow")) expected.add(odd + " slug off-title");
            assertThat(found(api, property, website.address().toString()))
                    .containsExactlyInAnyOrderElementsOf(expected);

            List<String> outcomes = new ArrayList<>();
            long sweep = api.get("/api/properties/" + property + "/sweeps")
                    .json()
                    .get(0)
                    .path("id")
                    .asLong();
            for (JsonNode line : api.get("/api/sweeps/" + sweep + "/outcomes").json()) {
                outcomes.add(line.path("outcome").asString() + " "
                        + line.path("status").asInt() + " " + line.path("count").asInt());
            }
            assertThat(outcomes)
                    .containsExactlyInAnyOrder(
                            "captured 200 374",
                            "blocked 0 1",
                            "not-html 200 1",
                            "error-status 404 1",
                            "error-status 410 1",
                            "redirect 301 2",
                            "redirect 302 2",
                            "redirect 308 1",
                            "redirect-loop 302 1",
                            "too-deep 0 1");
            assertRow(api, property, "/flaky", "How our weather station on the slip works", 1);
            assertRow(api, property, "/latin", "Café by the slip: crêpes, soup and hot chocolate", 1);
            assertRow(api, property, "/legal/winter-opening-hours/", "Winter opening hours of the office", -1);
        }
    }

    @Test
    void findsEveryPlantedFaultOfTheListings(Api api) {
        ShopListings listings = new ShopListings(7);
        long property = api.property("listings", "", false);
        JsonNode job = api.importListings(property, listings.csv());
        assertThat(job.path("note").asString()).isEqualTo("180 listings read.");
        List<String> expected = listings.planted().stream()
                .map(fault -> fault.path() + " " + fault.field() + " " + fault.finding())
                .toList();
        assertThat(found(api, property, "")).containsExactlyInAnyOrderElementsOf(expected);

        Reply set = api.method("PUT", "/api/properties/" + property + "/standard", "{\"off\":[]}");
        api.ended(set.json().path("jobId").asLong());
        List<String> offText = new ArrayList<>();
        for (JsonNode row : api.get("/api/properties/" + property + "/items?count=200")
                .json()
                .path("rows")) {
            String texts = " "
                    + letters(row.path("title").path("captured").asString() + " "
                            + row.path("description").path("captured").asString());
            boolean off = Arrays.stream(
                            row.path("tags").path("captured").asString().split(","))
                    .map(DemoSiteTest::letters)
                    .filter(tag -> !tag.isEmpty())
                    .anyMatch(tag -> Arrays.stream(tag.split(" "))
                            .noneMatch(word -> word.length() > 2 && texts.contains(" " + word)));
            if (off) offText.add(row.path("address").asString() + " tags off-text");
        }
        assertThat(found(api, property, ""))
                .filteredOn(finding -> finding.endsWith("tags off-text"))
                .containsExactlyInAnyOrderElementsOf(offText)
                .isNotEmpty();
    }

    @Test
    void findsEveryPlantedFaultOfTheVideos(Api api) throws IOException {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            long property = api.property(
                    "videos", website.address().resolve("/channel/videos").toString(), true);
            JsonNode fetch = api.post("/api/properties/" + property + "/imports/feed", "{}")
                    .json();
            api.ended(fetch.path("jobId").asLong());
            JsonNode plan =
                    api.get("/api/imports/" + fetch.path("token").asString()).json();
            Reply applied = api.post("/api/imports/" + fetch.path("token").asString() + "/apply", Api.choice(plan));
            api.ended(applied.json().path("jobId").asLong());
            List<String> planted = new ChannelVideos(7)
                    .planted().stream()
                            .map(fault -> fault.path() + " " + fault.field() + " " + fault.finding())
                            .toList();
            Set<String> checks = planted.stream().map(DemoSiteTest::check).collect(Collectors.toSet());
            assertThat(checks).hasSize(6);
            assertThat(found(api, property, ""))
                    .filteredOn(finding -> checks.contains(check(finding)))
                    .containsExactlyInAnyOrderElementsOf(planted);
        }
    }

    /** Checks that are off unless somebody wants them, held against a plain reading of the pages. */
    @Test
    void findsWhatIsAnOption(Api api) throws IOException {
        DemoSite site = DemoSite.ofSeed(7);
        try (Website website = Website.ofDemo(site, 0)) {
            long property = api.property("website", website.address().toString(), true, PLACES);
            api.sweep(property);
            Reply set = api.method("PUT", "/api/properties/" + property + "/standard", "{\"off\":[]}");
            api.ended(set.json().path("jobId").asLong());
            Set<String> hidden = site.planted().stream()
                    .filter(fault -> fault.finding().equals("not-indexable"))
                    .map(Planted::path)
                    .collect(Collectors.toSet());
            Map<String, List<String>> series = new HashMap<>();
            Set<String> expected = new TreeSet<>();
            for (SitePage page : site.pages().values()) {
                String path = page.path();
                if (hidden.contains(path)) continue;
                if (!page.head().contains("og:")) expected.add(path + " head shared-missing");
                String title = page.titles().isEmpty() ? "" : page.titles().get(0);
                String description =
                        page.descriptions().isEmpty() ? "" : page.descriptions().get(0);
                if (!description.isEmpty()
                        && Arrays.stream(letters(description).split(" "))
                                .noneMatch(Language.of("en").calls()::contains))
                    expected.add(path + " description without-call");
                if (words(description) > 30) expected.add(path + " description too-many-words");
                if (title.isEmpty()) continue;
                if (words(title) > 12) expected.add(path + " title too-many-words");
                String brand = "Tarrin Bay Kayaks";
                if (!title.contains(brand)) expected.add(path + " title brand-missing");
                if (title.startsWith(brand) && !title.equals(brand)) expected.add(path + " title brand-first");
                if (page.h1s().stream().anyMatch(h1 -> letters(h1).equals(letters(title))))
                    expected.add(path + " title same-as-h1");
                String pattern =
                        title.replaceAll(PLACES.replace(", ", "|"), "…").replaceAll("[A-Z][a-z]+ \\d+", "…");
                if (!pattern.equals(title))
                    series.computeIfAbsent(pattern, any -> new ArrayList<>()).add(path);
            }
            for (List<String> some : series.values()) {
                if (some.size() > 12) some.forEach(path -> expected.add(path + " title patterned"));
            }
            Set<String> checks = expected.stream().map(DemoSiteTest::check).collect(Collectors.toSet());
            assertThat(checks).hasSize(8);
            assertThat(found(api, property, website.address().toString()))
                    .filteredOn(finding -> checks.contains(check(finding)))
                    .filteredOn(finding -> site.pages().containsKey(finding.substring(0, finding.indexOf(' '))))
                    .containsExactlyInAnyOrderElementsOf(expected);
        }
    }

    /** Five pages aimed by hand; what their texts lack of the keywords was read off them by eye. */
    @Test
    void findsWhatTextsLackOfTheirKeywords(Api api) throws IOException {
        Map<String, String> aims = new LinkedHashMap<>();
        aims.put("/", "sea paddle centre");
        aims.put("/workshop/varnish-day/", "varnish course");
        aims.put("/tours/gull-cove/sunset-tour/", "kayaks lessons");
        aims.put("/lessons/kayak-sailing-afternoon/", "kayak sailing lesson");
        aims.put("/hire/", "kayak hire");
        List<String> expected = List.of(
                "/ title keyword-missing",
                "/ description keyword-missing",
                "/ h1 keyword-missing",
                "/ links keyword-missing",
                "/workshop/varnish-day/ title keyword-incomplete",
                "/workshop/varnish-day/ description keyword-missing",
                "/workshop/varnish-day/ h1 keyword-missing",
                "/tours/gull-cove/sunset-tour/ title keyword-late",
                "/tours/gull-cove/sunset-tour/ description keyword-missing",
                "/tours/gull-cove/sunset-tour/ h1 keyword-missing",
                "/lessons/kayak-sailing-afternoon/ description keyword-incomplete",
                "/lessons/kayak-sailing-afternoon/ h1 keyword-missing",
                "/hire/ description keyword-incomplete");
        Set<String> checks = expected.stream().map(DemoSiteTest::check).collect(Collectors.toSet());
        assertThat(checks).hasSize(7);
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            String base = website.address().toString();
            long property = api.property("website", base, true);
            String path = "/api/properties/" + property;
            api.sweep(property);
            String file = "keyword\n" + String.join("\n", aims.values()) + "\n";
            JsonNode added = api.upload(path + "/keywords/file", "aims.csv", file.getBytes())
                    .json();
            api.ended(added.path("jobId").asLong());
            aims.forEach((page, keyword) -> {
                String address = Api.encoded(base + page.substring(1));
                JsonNode item = api.get(path + "/items?q=" + address)
                        .json()
                        .path("rows")
                        .get(0);
                JsonNode aimed = api.get(path + "/keywords?q=" + Api.encoded(keyword))
                        .json()
                        .path("rows")
                        .valueStream()
                        .filter(row -> row.path("phrase").asString().equals(keyword))
                        .findFirst()
                        .orElseThrow();
                Reply done = api.post(
                        path + "/targets",
                        "{\"selection\":{\"ids\":[" + item.path("id") + "]},\"keywordId\":" + aimed.path("id") + "}");
                assertThat(done.status()).as(done.body()).isEqualTo(200);
            });
            assertThat(found(api, property, base))
                    .filteredOn(finding -> checks.contains(check(finding)))
                    .containsExactlyInAnyOrderElementsOf(expected);
        }
    }

    @Test
    void keywordsFindTheirItems(Api api) throws IOException {
        KeywordFile keywords = new KeywordFile(7);
        assertThat(keywords.size()).isGreaterThanOrEqualTo(300);
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            long property = api.property("website", website.address().toString(), true);
            api.sweep(property);
            JsonNode added = api.upload(
                            "/api/properties/" + property + "/keywords/file",
                            "keywords.csv",
                            keywords.csv().getBytes())
                    .json();
            assertThat(added.path("added").asInt()).isGreaterThanOrEqualTo(300);
            assertThat(added.path("added").asInt() + added.path("known").asInt())
                    .isEqualTo(keywords.size());
            assertThat(added.path("unreadable")).isEmpty();
            for (String[] pair : new String[][] {
                {"sunset tour gull cove", "/tours/gull-cove/sunset-tour/"},
                {"carve a paddle", "/workshop/carve-a-greenland-paddle/"},
                {"single kayak hire gull cove", "/hire/single-kayak-gull-cove/"}
            }) {
                JsonNode row = api.get("/api/properties/" + property + "/keywords?q=" + Api.encoded(pair[0]))
                        .json()
                        .path("rows")
                        .get(0);
                assertThat(row.path("address").asString()).endsWith(pair[1]);
                assertThat(row.path("reason").asString()).startsWith("in the ");
            }
        }
    }

    @Test
    void whatWasPlantedInTheDemandIsFound(Api api) throws IOException {
        DemoSite site = DemoSite.ofSeed(7);
        try (Website website = Website.ofDemo(site, 0)) {
            long property = api.property("website", website.address().toString(), true);
            String path = "/api/properties/" + property;
            api.sweep(property);
            api.upload(
                    path + "/keywords/file",
                    "keywords.csv",
                    new KeywordFile(7).csv().getBytes());
            String demand = website.address().resolve("/search/demand").toString();
            Reply fetching = api.post(path + "/demand/fetch", "{\"address\":\"" + demand + "\"}");
            assertThat(api.ended(fetching.json().path("jobId").asLong())
                            .path("note")
                            .asString())
                    .matches("3\\d,\\d{3} rows fetched\\.");
            for (JsonNode job : api.get(path + "/jobs").json())
                api.ended(job.path("id").asLong());

            Map<String, String> primary = new HashMap<>();
            for (JsonNode row :
                    api.get(path + "/keywords?home=primary&count=1000").json().path("rows")) {
                primary.put(row.path("address").asString(), row.path("phrase").asString());
            }
            Set<String> better = proposed(api, path + "/better");
            Set<String> early = proposed(api, path + "/better?young=true");
            int homes = 0;
            int right = 0;
            for (SearchMarket.Truth truth : SearchMarket.of(site, 7).truths()) {
                String address = website.address().resolve(truth.path()).toString();
                switch (truth.kind()) {
                    case "home" -> {
                        homes++;
                        if (truth.query().equals(primary.get(address))) right++;
                    }
                    case "better" -> assertThat(better).contains(address + " " + truth.query());
                    case "too-early" -> assertThat(better).doesNotContain(address + " " + truth.query());
                    default -> assertThat(better).doesNotContain(address + " " + truth.query());
                }
            }
            assertThat(right / (double) homes)
                    .as("%d of %d homes", right, homes)
                    .isGreaterThanOrEqualTo(0.95);
            assertThat(early).hasSize(3);
            JsonNode summary = api.get(path + "/aim").json();
            assertThat(summary.path("to").asString()).isEqualTo("2026-11-22");
            assertThat(summary.path("rows").asInt()).isBetween(30_000, 40_000);
            assertThat(summary.path("points")).hasSize(20);
            assertThat(summary.path("points").get(4).path("rate").asDouble()).isCloseTo(0.0464, within(0.005));
            assertThat(summary.path("pages")).isNotEmpty();

            List<String> hidden = new ArrayList<>();
            for (JsonNode row : api.get(path + "/items?field=indexing&check=searched")
                    .json()
                    .path("rows")) hidden.add(row.path("address").asString());
            Set<String> interesting = new HashSet<>();
            for (SearchMarket.Interest interest : SearchMarket.of(site, 7).interests())
                interesting.add(interest.path());
            assertThat(hidden)
                    .as("what searchers were shown although it is hidden")
                    .containsExactlyInAnyOrderElementsOf(site.planted().stream()
                            .filter(fault -> fault.finding().equals("not-indexable"))
                            .filter(fault -> interesting.contains(fault.path()))
                            .map(fault ->
                                    website.address().resolve(fault.path()).toString())
                            .toList())
                    .isNotEmpty();

            double lost = SearchReports.truth(SearchMarket.of(site, 7, Searchers.OF_DEMO)).stream()
                    .mapToDouble(page -> page.faultless() - page.now())
                    .sum();
            JsonNode stake = api.get(path + "/standing").json().path("stake");
            assertThat(stake.path("clicks").asDouble() / lost).isBetween(1 / 1.5, 1.5);
            assertThat(lost)
                    .isBetween(stake.path("low").asDouble(), stake.path("high").asDouble());
        }
    }

    private static int words(String text) {
        return text.isEmpty()
                ? 0
                : letters(text.replaceAll("(?<=\\p{L})['’](?=\\p{L})", "")).split(" ").length;
    }

    private static String letters(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
    }

    /** "title missing" of "/tours/ title missing". */
    private static String check(String finding) {
        return finding.substring(finding.indexOf(' ') + 1);
    }

    private static Set<String> proposed(Api api, String path) {
        Set<String> found = new HashSet<>();
        for (JsonNode row : api.get(path).json().path("rows")) {
            found.add(row.path("address").asString() + " " + row.path("query").asString());
        }
        return found;
    }

    private static List<String> found(Api api, long property, String base) {
        List<String> found = new ArrayList<>();
        String[] lines =
                api.get("/api/properties/" + property + "/findings.csv").body().split("\r\n");
        for (int i = 1; i < lines.length; i++) {
            String[] cells = lines[i].split(",");
            String address =
                    cells[0].startsWith(base) && !base.isEmpty() ? "/" + cells[0].substring(base.length()) : cells[0];
            boolean counted = lines[i].endsWith(",yes") || cells[2].equals("not-indexable");
            if (counted) found.add(address + " " + cells[1] + " " + cells[2]);
        }
        return found;
    }

    private static void assertRow(Api api, long property, String path, String title, int depth) {
        JsonNode row = api.get("/api/properties/" + property + "/items?q=" + Api.encoded(path))
                .json()
                .path("rows")
                .get(0);
        assertThat(row.path("title").path("captured").asString()).isEqualTo(title);
        assertThat(row.path("depth").asInt()).isEqualTo(depth);
    }
}
