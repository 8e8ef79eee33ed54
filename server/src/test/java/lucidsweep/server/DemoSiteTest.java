package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.KeywordFile;
import lucidsweep.standins.Planted;
import lucidsweep.standins.SearchMarket;
import lucidsweep.standins.SearchReports;
import lucidsweep.standins.Searchers;
import lucidsweep.standins.ShopListings;
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
                            "captured 200 369",
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
            for (JsonNode row :
                    api.get(path + "/items?field=indexing&check=searched").json().path("rows"))
                hidden.add(row.path("address").asString());
            Set<String> interesting = new HashSet<>();
            for (SearchMarket.Interest interest : SearchMarket.of(site, 7).interests())
                interesting.add(interest.path());
            assertThat(hidden)
                    .as("what searchers were shown although it is hidden")
                    .containsExactlyInAnyOrderElementsOf(site.planted().stream()
                            .filter(fault -> fault.finding().equals("not-indexable"))
                            .filter(fault -> interesting.contains(fault.path()))
                            .map(fault -> website.address().resolve(fault.path()).toString())
                            .toList())
                    .isNotEmpty();

            double lost =
                    SearchReports.truth(SearchMarket.of(site, 7, Searchers.OF_DEMO), SearchReports.FIRST_TODAY).stream()
                            .mapToDouble(page -> page.faultless() - page.now())
                            .sum();
            JsonNode stake = api.get(path + "/standing").json().path("stake");
            assertThat(stake.path("clicks").asDouble() / lost).isBetween(1 / 1.5, 1.5);
            assertThat(lost)
                    .isBetween(stake.path("low").asDouble(), stake.path("high").asDouble());
        }
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
