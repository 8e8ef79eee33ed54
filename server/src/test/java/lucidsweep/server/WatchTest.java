package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.Searchers;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** From a release on the demo's site to what it brought some months later, held against what the stand-in market knows. */
@ExtendWith(RunningApplication.class)
class WatchTest {

    private static final double MARGIN = 0.1;

    /** As the made-up searchers have it. */
    private static final double LOG_OF_TOO_LONG = Searchers.OF_DEMO.appeal().get("title too-long");

    private static final String ENDING = " | Tarrin Bay Kayaks: hire, tours and lessons";

    private final HttpClient http = HttpClient.newHttpClient();

    @Test
    void whatAReleaseBroughtIsWithinItsBandOfTheTruth(Api api) throws IOException, InterruptedException {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7, LocalDate.now()), 0, LocalDate.now())) {
            URI base = website.address();
            Shop site = new Shop(api, api.property("website", base.toString(), true));
            api.sweep(site.property());
            fetchDemand(api, site, website);
            assertThat(site.get("/watch/effects").json()).as("nothing is live").isEmpty();

            long[] tours = site.get("/items/ids?section=%2Ftours%2F&field=title&check=common-ending")
                    .json()
                    .valueStream()
                    .mapToLong(JsonNode::asLong)
                    .toArray();
            long[] half = IntStream.range(0, tours.length / 2)
                    .mapToLong(each -> tours[2 * each])
                    .toArray();
            assertThat(half).hasSizeGreaterThan(25);
            site.batch(Shop.edit("remove-ending", "title", "\"find\":\"" + ENDING + "\"", half));
            site.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
            site.put("/content-system", PushTest.settings(base + "content", "editor", "high-water"));
            long release = site.post("/pushes", "{\"name\":\"Short titles\",\"reason\":\"They were cut.\"}")
                    .json()
                    .path("release")
                    .path("id")
                    .asLong();
            api.ended(api.post("/api/pushes/" + release + "/runs", "{\"rehearsal\":false}")
                    .json()
                    .path("jobId")
                    .asLong());
            api.sweep(site.property());
            assertThat(effect(site, "release").path("effect").path("verdict").asString())
                    .isEqualTo("too-early");

            moveOn(website, 15 * 7);
            LocalDate today = LocalDate.now();
            assertThat(site.put("/demand/schedule", "{\"every\":\"WEEK\",\"nextDay\":\"" + today + "\"}")
                            .json()
                            .path("schedule")
                            .path("nextDay")
                            .asString())
                    .as("fetched at once, and then by itself")
                    .isEqualTo(today.plusWeeks(1).toString());
            awaitImport(api, site);
            JsonNode row = effect(site, "release");
            JsonNode clicks = row.path("effect").path("clicks");
            assertThat(row.path("name").asString()).isEqualTo("Short titles");
            assertThat(row.path("effect").path("items").asInt()).isGreaterThan(25);
            double truth = truth(base);
            assertThat(truth).as("what the market knows").isGreaterThan(0.1);
            // The interval misses the truth on one day in twenty; the margin is for those.
            assertThat(clicks.path("low").asDouble()).as(row.toString()).isLessThan(truth + MARGIN);
            assertThat(clicks.path("high").asDouble()).as(row.toString()).isGreaterThan(truth - MARGIN);
            assertThat(row.path("words").asString()).contains("% clicks", "items against");
            JsonNode check = effect(site, "check");
            assertThat(check.path("name").asString()).isEqualTo("Title too long");
            assertThat(check.path("estimated").path("clicks").asDouble())
                    .as("what was estimated when it was delivered stands beside what came: " + check)
                    .isGreaterThan(0);
            JsonNode cost = site.get("/costs")
                    .json()
                    .path("appeal")
                    .valueStream()
                    .filter(each -> each.path("label").asString().equals("title too long"))
                    .findFirst()
                    .orElseThrow();
            JsonNode learnt = cost.path("learnt");
            assertThat(learnt.path("items").asInt())
                    .as("what faults cost learns from it: " + cost)
                    .isEqualTo(check.path("effect").path("items").asInt());
            double lost = 1 - Math.exp(LOG_OF_TOO_LONG);
            assertThat(lost)
                    .as("what the market's searchers make of it, in " + cost)
                    .isBetween(
                            learnt.path("lostLow").asDouble() - MARGIN,
                            learnt.path("lostHigh").asDouble() + MARGIN);
            assertThat(Math.abs(cost.path("lostShare").asDouble() - lost))
                    .as("nearer to the truth than what is assumed of any property, in " + cost)
                    .isLessThan(lost - 0.06);
            assertThat(effect(site, "section").path("name").asString()).isEqualTo("/tours/");
            assertThat(effect(site, "batch").path("effect").path("items").asInt())
                    .isEqualTo(row.path("effect").path("items").asInt());
            site.post("/sets", "{\"name\":\"All tours\",\"conditions\":{\"sections\":[\"/tours/\"]}}");
            assertThat(effect(site, "set").path("name").asString())
                    .as("a set that was made since they were worked out")
                    .isEqualTo("All tours");
            assertThat(site.get("/watch/effects.csv").body()).contains("Short titles");

            assertThat(site.get("/watch/due").json().findValuesAsString("kind")).contains("release", "demand");
            assertThat(due(site, "release").path("due").asBoolean())
                    .as("three months have passed")
                    .isTrue();
            site.post(
                    "/watch/due/decide",
                    "{\"key\":\"release:" + release
                            + "\",\"state\":\"LATER\",\"until\":\"2030-01-01\",\"note\":\"Ask Ines\"}");
            assertThat(due(site, "release").path("day").asString()).isEqualTo("2030-01-01");
            assertThat(site.get("/watch/due.ics").body())
                    .contains("BEGIN:VCALENDAR", "DTSTART;VALUE=DATE:20300101", "Ask Ines");
            site.post("/watch/due/decide", "{\"key\":\"release:" + release + "\",\"state\":\"DONE\"}");
            assertThat(site.get("/watch/due").json().findValuesAsString("kind")).doesNotContain("release");

            // The update of the search engine, three weeks after the start, hit whole sections.
            JsonNode moves = site.get("/watch/moves?weeks=20").json();
            JsonNode journal = moves.valueStream()
                    .filter(move -> move.path("spread").asString().equals("group"))
                    .filter(move -> move.path("what").asString().equals("position"))
                    .filter(move -> move.path("side").asString().equals("items"))
                    .findFirst()
                    .orElseThrow(() -> new AssertionError(moves.toString()));
            assertThat(journal.path("name").asString()).isIn("/journal/", "/hire/", "/lessons/");
            String aside = "{\"key\":\"" + journal.path("key").asString()
                    + "\",\"reason\":\"An update of the search engine\"}";
            assertThat(site.post("/watch/moves/aside", aside).status()).isEqualTo(200);
            assertThat(site.get("/watch/moves?weeks=20").json().findValuesAsString("key"))
                    .doesNotContain(journal.path("key").asString());
            assertThat(site.get("/watch/moves?weeks=20&aside=true").json().findValuesAsString("aside"))
                    .contains("An update of the search engine");
        }
    }

    /** Marks, notes, parts with a comma in their name, and what cannot be read. */
    @Test
    void partsAreComparedOverTimeWithNotesBesideThem(Api api) {
        Shop shop = new Shop(api, "id,title\nW1,Ash paddle\nW2,Oak paddle\n");
        StringBuilder demand = new StringBuilder("address,query,from,to,clicks,impressions,position\n");
        LocalDate start = LocalDate.of(2025, 9, 1);
        for (int week = 0; week < 60; week++) {
            if (week == 30) continue;
            LocalDate day = start.plusWeeks(week);
            demand.append("W1,\"paddle, ash\",%s,%s,%d,100,3%n".formatted(day, day.plusDays(6), 5 + week));
            demand.append("W2,oak paddle,%s,%s,7,90,5%n".formatted(day, day.plusDays(6)));
        }
        shop.importDemand(demand.toString());
        assertThat(shop.post("/watch/notes", "{\"day\":\"2026-03-02\",\"text\":\"New prices\"}")
                        .status())
                .isEqualTo(200);
        JsonNode one =
                shop.get("/watch/course?of=" + Api.encoded("query:paddle, ash")).json();
        assertThat(one.path("courses")).hasSize(1);
        JsonNode points = one.path("courses").get(0).path("course").path("points");
        assertThat(points).hasSize(60);
        assertThat(points.get(59).path("figures").path("clicks").asInt()).isEqualTo(64);
        assertThat(points.get(30).path("figures").isNull()).isTrue();
        assertThat(one.path("holes")).hasSize(1);
        assertThat(one.path("usualDays").asInt()).isEqualTo(7);
        assertThat(one.path("marks").findValuesAsString("text")).contains("New prices");
        JsonNode two = shop.get("/watch/course?of=all&of=" + Api.encoded("item:" + shop.itemId("W2")) + "&grain=month")
                .json();
        assertThat(two.path("courses").get(1).path("name").asString()).isEqualTo("W2");
        assertThat(two.path("courses")
                        .get(0)
                        .path("course")
                        .path("now")
                        .path("clicks")
                        .asInt())
                .isEqualTo(754 + 91);
        assertThat(shop.get("/watch/holders?query=" + Api.encoded("paddle ash"))
                        .json()
                        .get(0)
                        .path("address")
                        .asString())
                .isEqualTo("W1");
        assertThat(shop.get("/watch/course?of=nothing").problem()).startsWith("expected all, brand");
        assertThat(shop.get("/watch/course?of=item:x").problem()).contains("a number behind the colon");
        assertThat(shop.get("/watch/course.csv?of=brand").body()).startsWith("part,from,clicks");
        assertThat(shop.get("/watch/positions")
                        .json()
                        .path("weeks")
                        .get(0)
                        .path("queries")
                        .toString())
                .isEqualTo("[0,1,1,0,0]");
        long note = one.path("marks")
                .valueStream()
                .filter(mark -> mark.path("kind").asString().equals("note"))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asLong();
        assertThat(api.method("DELETE", "/api/properties/" + shop.property() + "/watch/notes/" + note, "")
                        .body())
                .doesNotContain("New prices");
        assertThat(shop.post("/watch/due/decide", "{\"key\":\"x\",\"state\":\"LATER\"}")
                        .problem())
                .isEqualTo("expected a day to come back to it on");
    }

    @Test
    void aSiteThatMovedKeepsWhatWasReportedOfIt(Api api) {
        Shop site = new Shop(api, api.property("website", "https://bay.example/", false));
        StringBuilder pages = new StringBuilder("address,title\n");
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        LocalDate start = LocalDate.of(2026, 4, 6);
        for (int page = 0; page < 12; page++) {
            pages.append("https://bay.example/oars-%d,Oars %d%n".formatted(page, page));
            for (int week = 0; week < 30; week++) {
                LocalDate day = start.plusWeeks(week);
                String from = week < 20 ? "http://www.old-bay.example" : "https://bay.example";
                demand.append("%s/oars-%d,oars,%s,%s,3,100,5%n".formatted(from, page, day, day.plusDays(6)));
            }
        }
        site.importFile(pages.toString());
        site.importDemand(demand.toString());
        JsonNode courses = site.get("/watch/course?of=item:" + site.itemId("https://bay.example/oars-7"))
                .json();
        assertThat(courses.path("moved").toString())
                .isEqualTo("[{\"from\":\"http://www.old-bay.example\",\"to\":\"https://bay.example\"}]");
        assertThat(courses.path("courses").get(0).path("course").path("points"))
                .hasSize(30)
                .allSatisfy(week ->
                        assertThat(week.path("figures").path("clicks").asInt()).isEqualTo(3));
    }

    private static void fetchDemand(Api api, Shop site, Website website) {
        Reply begun = site.post("/demand/fetch", "{\"address\":\"" + website.address() + "search/demand\"}");
        api.ended(begun.json().path("jobId").asLong());
        awaitImport(api, site);
    }

    /** What was fetched is then imported, by a job of its own. */
    private static void awaitImport(Api api, Shop site) {
        int jobs = -1;
        for (JsonNode all = site.get("/jobs").json();
                all.size() > jobs;
                all = site.get("/jobs").json()) {
            jobs = all.size();
            for (JsonNode job : all) api.ended(job.path("id").asLong());
        }
    }

    private void moveOn(Website website, int days) throws IOException, InterruptedException {
        http.send(
                HttpRequest.newBuilder(website.address().resolve("/search/clock?days=" + days))
                        .POST(HttpRequest.BodyPublishers.noBody())
                        .build(),
                HttpResponse.BodyHandlers.discarding());
    }

    /** By what share the changed pages are clicked more than they would be. */
    private double truth(URI base) throws IOException, InterruptedException {
        String answer = http.send(
                        HttpRequest.newBuilder(base.resolve("/search/changed")).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
        Matcher pages =
                Pattern.compile("\"clicks\":([\\d.]+),\"without\":([\\d.]+)").matcher(answer);
        double clicks = 0;
        double without = 0;
        while (pages.find()) {
            clicks += Double.parseDouble(pages.group(1));
            without += Double.parseDouble(pages.group(2));
        }
        return clicks / without - 1;
    }

    private static JsonNode effect(Shop site, String kind) {
        return first(site.get("/watch/effects").json(), kind);
    }

    private static JsonNode due(Shop site, String kind) {
        return first(site.get("/watch/due").json(), kind);
    }

    private static JsonNode first(JsonNode rows, String kind) {
        return rows.valueStream()
                .filter(row -> row.path("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow(() -> new AssertionError(kind + " in " + rows));
    }
}
