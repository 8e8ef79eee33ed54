package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.ChannelVideos;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Files looked at, tried, read and taken back, of every kind a property takes in. */
@ExtendWith(RunningApplication.class)
class ImportTest {

    private static final String FIRST = """
            id,title,description,tags,price,colour
            A,Ash paddle,Of ash,"ash, gift",45.00,red
            B,Oak paddle,Of oak,oak,49.00,blue
            C,Elm paddle,Of elm,elm,39.00,green
            """;
    private static final String SECOND = """
            id,title,description,tags,price,colour
            A,Ash paddle,Of ash,"ash, gift",45.00,red
            B,Oak paddle for two,Of oak,oak,52.00,blue
            D,Fir paddle,Of fir,fir,35.00,
            ,,Of nothing,,,
            D,Fir paddle,,,,
            """;

    private Api api;
    private JsonNode fetching;

    @BeforeEach
    void takeApi(Api api) {
        this.api = api;
    }

    @Test
    void aTrialSaysWhatWouldComeAndChangesNothing() {
        Shop shop = new Shop(api, FIRST);
        JsonNode plan = plan(shop.property(), "next.csv", SECOND);
        JsonNode trial = api.post("/api/imports/" + token(plan) + "/trial", Api.choice(plan))
                .json();
        assertThat(trial.toString())
                .startsWith("{\"added\":1,\"changed\":1,\"unchanged\":1,\"gone\":1,\"unreadable\":2,")
                .contains("{\"line\":6,\"reason\":\"the same as line 4; the first is kept\"}");
        assertThat(shop.row("B").path("title").path("captured").asString()).isEqualTo("Oak paddle");
        assertThat(shop.total("")).isEqualTo(3);
    }

    @Test
    void theReportHasEveryRowAndAfterThemWhatCannotBeRead() {
        int rows = 2_345;
        StringBuilder file = new StringBuilder("id,title,group\n");
        for (int i = 0; i < rows; i++)
            file.append(i % 500 == 7 ? ",,oars\n" : "")
                    .append("N")
                    .append(i)
                    .append(",Oar ")
                    .append(i)
                    .append(",oars\n");
        Shop shop = new Shop(api, file.toString());
        shop.importFile(file.toString().replace("Oar 99,", "Oar for two,").replace("N7,Oar 7,oars\n", ""));
        long sweep = lastSweep(shop.property());

        assertThat(api.get("/api/sweeps/" + sweep + "/outcomes").body())
                .contains("{\"outcome\":\"captured\",\"status\":0,\"count\":2344,\"example\":\"N0\",\"detail\":\"\"}")
                .contains("\"outcome\":\"unreadable\",\"status\":0,\"count\":5,");
        List<String> seen = new ArrayList<>();
        long after = 0;
        JsonNode visits;
        do {
            visits = api.get("/api/sweeps/" + sweep + "/visits?limit=700&after=" + after)
                    .json();
            for (JsonNode visit : visits) {
                seen.add(visit.path("address").asString() + " "
                        + visit.path("detail").asString());
                after = visit.path("id").asLong();
            }
        } while (visits.size() == 700);
        for (String nothing : List.of("limit=-1", "limit=0", "after=" + after, "after=" + Long.MAX_VALUE)) {
            assertThat(api.get("/api/sweeps/" + sweep + "/visits?" + nothing).body())
                    .as(nothing)
                    .isEqualTo("[]");
        }
        assertThat(seen).hasSize(rows - 1 + 5).doesNotHaveDuplicates();
        assertThat(seen.subList(0, 9)).endsWith("N6 unchanged", "N8 unchanged", "N9 unchanged");
        assertThat(seen).contains("N99 changed").endsWith("line 2012 there is no id, no address and no title");
        assertThat(api.get("/api/sweeps/" + sweep + "/visits?outcome=unreadable")
                        .json())
                .hasSize(5);
        assertThat(api.get("/api/sweeps/" + sweep + "/visits.csv?outcome=captured")
                        .body()
                        .lines())
                .hasSize(rows);
        assertThat(shop.getItem("N99", "/captured").path("cells").toString()).contains("Oar for two");
        assertThat(shop.getItem("N2344", "/captured").path("cells").toString()).contains("Oar 2344");
    }

    @Test
    void stoppedOnItsWayItLeavesNothing() {
        Shop shop = new Shop(api, FIRST);
        shop.type("B", "title", "Oak paddle, carved by hand");
        String many = IntStream.range(0, 60_000)
                .mapToObj(i -> "N" + i + ",New paddle " + i + ",Of ash,ash,9.00,\n")
                .collect(Collectors.joining());
        JsonNode plan = plan(shop.property(), "many.csv", SECOND + many);
        long job = api.post("/api/imports/" + token(plan) + "/apply", Api.choice(plan))
                .json()
                .path("jobId")
                .asLong();
        while (api.get("/api/jobs/" + job).json().path("done").asInt() == 0) LockSupport.parkNanos(1_000_000);
        long fir = shop.itemId("A") + 3;
        shop.post("/cells", "[{\"itemId\":" + fir + ",\"field\":\"title\",\"text\":\"Fir paddle, oiled\"}]");
        assertThat(api.post("/api/jobs/" + job + "/stop", "").status()).isEqualTo(200);
        assertThat(api.ended(job).path("note").asString()).isEqualTo("Stopped; nothing was imported.");

        assertThat(shop.total("")).isEqualTo(3);
        assertThat(api.get("/api/items/" + fir + "/captured").problem()).endsWith("is not kept any more");
        JsonNode title = shop.row("B").path("title");
        assertThat(title.path("captured").asString()).isEqualTo("Oak paddle");
        assertThat(title.path("draft").asString()).isEqualTo("Oak paddle, carved by hand");
        JsonNode again = plan(shop.property(), "many.csv", SECOND + many);
        assertThat(api.post("/api/imports/" + token(again) + "/trial", Api.choice(again))
                        .json()
                        .toString())
                .startsWith("{\"added\":60001,\"changed\":1,\"unchanged\":1,\"gone\":1,");

        shop.importFile(SECOND);
        assertThat(shop.text("D", "title"))
                .as("written while the import ran that was stopped, and kept with its item")
                .isEqualTo("Fir paddle, oiled");
        assertThat(shop.getItem("D", "/captured").path("cells").toString()).contains("35.00");
    }

    @Test
    void anImportIsTakenBackAndWhatWasWrittenStays() {
        Shop shop = new Shop(api, FIRST);
        shop.type("B", "title", "Oak paddle, carved by hand");
        shop.importFile(SECOND);
        shop.type("A", "description", "Of ash, oiled three times");
        assertThat(shop.total("")).isEqualTo(3);
        assertThat(shop.row("B").path("price").asString()).isEqualTo("52.00");

        long sweep = lastSweep(shop.property());
        assertThat(api.post("/api/sweeps/" + sweep + "/take-back", "")
                        .json()
                        .path("state")
                        .asString())
                .isEqualTo("taken-back");
        assertThat(shop.total("")).isEqualTo(3);
        assertThat(shop.total("q=fir")).isZero();
        assertThat(shop.text("C", "title")).isEqualTo("Elm paddle");
        JsonNode oak = shop.row("B");
        assertThat(oak.path("price").asString()).isEqualTo("49.00");
        assertThat(oak.path("title").path("captured").asString()).isEqualTo("Oak paddle");
        assertThat(oak.path("title").path("draft").asString()).isEqualTo("Oak paddle, carved by hand");
        assertThat(shop.text("A", "description")).isEqualTo("Of ash, oiled three times");
        assertThat(api.post("/api/sweeps/" + sweep + "/take-back", "").status()).isEqualTo(409);

        shop.importFile(SECOND);
        assertThat(shop.row("D").path("title").path("captured").asString()).isEqualTo("Fir paddle");
        assertThat(shop.total("")).isEqualTo(3);
    }

    @Test
    void rowsOfAnyLengthAreStored() {
        String file = "id,title,notes\n"
                + IntStream.range(0, 230)
                        .mapToObj(i ->
                                "P" + i + ",Oar " + i + "," + (i % 50 == 3 ? "é".repeat(190_000) : "short") + i + "\n")
                        .collect(Collectors.joining());
        Shop shop = new Shop(api, file);
        assertThat(api.get("/api/sweeps/" + lastSweep(shop.property()) + "/visits?limit=1000")
                        .json())
                .hasSize(230);
        for (int i : new int[] {0, 2, 3, 4, 53, 99, 100, 103, 203, 229}) {
            assertThat(shop.getItem("P" + i, "/captured")
                            .path("cells")
                            .path(2)
                            .path("cell")
                            .asString())
                    .hasSize(
                            i % 50 == 3
                                    ? 190_000 + String.valueOf(i).length()
                                    : 5 + String.valueOf(i).length())
                    .endsWith(String.valueOf(i));
        }
    }

    @Test
    void textsOfAnyLengthAreStored() {
        Shop shop = new Shop(api, "id,title,tags\nA,%s,%s\n".formatted("Ash ".repeat(30_000), "ash ".repeat(10_000)));
        assertThat(shop.row("A").path("title").path("captured").asString()).hasSize(20_000);
    }

    @Test
    void columnsThatWerePutRightAreRemembered() {
        long property = api.property("listings", "", false);
        String file = "number,what it is,colour\n1,Ash paddle,red\n";
        JsonNode plan = plan(property, "a.csv", file);
        String asked = "No titles were found; is it “what it is” (such as “Ash paddle”)?";
        assertThat(plan.path("questions").get(0).path("sentence").asString()).isEqualTo(asked);
        assertThat(plan.path("questions").get(0).path("column").asInt()).isEqualTo(1);
        String guessed = "\"ID\",\"UNUSED\",\"UNUSED\"";
        Reply refused = api.post("/api/imports/" + token(plan) + "/apply", "{\"meanings\":[" + guessed + "]}");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem()).startsWith(asked).contains("No descriptions were found.", "No tags were found.");
        assertThat(api.post("/api/imports/" + token(plan) + "/questions", Api.choice("\"ID\",\"TITLE\",\"UNUSED\""))
                        .json()
                        .findValuesAsString("meaning"))
                .containsExactly("DESCRIPTION", "TAGS");
        apply(plan, Api.choice("\"ID\",\"TITLE\",\"UNUSED\""));
        JsonNode next = plan(property, "b.csv", file.replace("Ash", "Elm"));
        assertThat(next.path("remembered").asBoolean()).isTrue();
        assertThat(Api.choice(next)).startsWith("{\"meanings\":[\"ID\",\"TITLE\",\"UNUSED\"]");
    }

    @Test
    void theOrderOfDayAndMonthIsAskedFor() {
        long property = api.property("videos", "", false);
        JsonNode plan =
                plan(property, "videos.csv", "video id,title,published,views\nv1,Rolling a kayak,03/04/2026,1.3K\n");
        assertThat(plan.path("dates").isNull()).isTrue();
        assertThat(api.post("/api/imports/" + token(plan) + "/trial", Api.choice(plan))
                        .problem())
                .contains("whether the day or the month comes first");
        String choice = Api.choice(plan).replace("]}", "],\"dates\":\"MONTH_FIRST\"}");
        assertThat(apply(plan, choice)).isEqualTo("1 video read.");
        JsonNode row = api.get("/api/properties/" + property + "/items")
                .json()
                .path("rows")
                .get(0);
        assertThat(row.path("published").asString()).isEqualTo("2026-03-04");
        assertThat(row.path("views").asInt()).isEqualTo(1_300);
        String next = "video id,title,published,views\nv2,Edging,%s,7\n";
        assertThat(plan(property, "next.csv", next.formatted("05/06/2026"))
                        .path("dates")
                        .asString())
                .as("as it was said the last time")
                .isEqualTo("MONTH_FIRST");
        assertThat(plan(property, "next.csv", next.formatted("25/06/2026"))
                        .path("dates")
                        .asString())
                .as("as this date can only be read")
                .isEqualTo("DAY_FIRST");
    }

    @Test
    void pagesOfAListJoinThoseOfTheCrawlWithoutOverwritingThem() {
        try (Site site = new Site()) {
            site.page("/", "Kayaks on the bay", "/hire").page("/hire", "Hire a kayak");
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            JsonNode plan = api.post(
                            "/api/properties/" + property + "/imports/text",
                            "{\"text\":\"" + site.address() + "hire\\n" + site.address() + "tours\"}")
                    .json();
            assertThat(plan.path("kind").asString()).isEqualTo("PAGES");
            assertThat(apply(plan, Api.choice(plan))).isEqualTo("2 pages read.");
            JsonNode rows = api.get("/api/properties/" + property + "/items?sort=address")
                    .json()
                    .path("rows");
            assertThat(rows).hasSize(3);
            assertThat(rows.get(1).path("title").path("captured").asString()).isEqualTo("Hire a kayak");
            assertThat(rows.get(2).path("title").path("captured").asString()).isEmpty();
        }
    }

    @Test
    void demandIsRecognisedStoredAndReplacedByALaterFile() {
        Shop shop = new Shop(api, FIRST);
        String demand = IntStream.range(0, 3_000)
                .mapToObj(i -> "https://bay.example/" + i % 50 + ",kayak " + i + ",gb,2026-10," + i % 7 + "," + i)
                .collect(Collectors.joining("\n", "page,query,country,month,clicks,impressions\n", "\n"));
        JsonNode plan = plan(shop.property(), "demand.csv", demand);
        assertThat(plan.path("kind").asString()).isEqualTo("DEMAND");
        assertThat(apply(plan, Api.choice(plan))).isEqualTo("3,000 rows of demand read.");
        String later = demand.replace("kayak 7,gb,2026-10,0,7", "kayak 7,gb,2026-10,3,9");
        JsonNode again = plan(shop.property(), "demand.csv", later + "https://bay.example/9,new,gb,2026-10,1,2\n");
        JsonNode trial = api.post("/api/imports/" + token(again) + "/trial", Api.choice(again))
                .json();
        assertThat(trial.path("added").asInt()).isEqualTo(1);
        assertThat(trial.path("changed").asInt()).isEqualTo(3_000);
        assertThat(apply(again, Api.choice(again)))
                .isEqualTo(
                        "3,001 rows of demand read, 3,000 of them in the place of earlier ones (1 with other figures, which count now).");
        assertThat(shop.total("")).as("the listings are as they were").isEqualTo(3);
        assertThat(api.post("/api/sweeps/" + lastSweep(shop.property()) + "/take-back", "")
                        .status())
                .isEqualTo(200);
        JsonNode onceMore = plan(
                shop.property(),
                "demand.csv",
                "page,query,country,month,clicks,impressions\n"
                        + "https://bay.example/0,kayak 0,gb,2026-10,0,0\nhttps://bay.example/9,new,gb,2026-10,1,2\n");
        trial = api.post("/api/imports/" + token(onceMore) + "/trial", Api.choice(onceMore))
                .json();
        assertThat(trial.path("added").asInt())
                .as("what the second file brought is gone again")
                .isEqualTo(1);
        assertThat(trial.path("changed").asInt()).isEqualTo(1);
        JsonNode asListings = api.get(
                        "/api/imports/" + token(plan(shop.property(), "d.csv", demand)) + "?kind=LISTINGS")
                .json();
        assertThat(asListings.path("kind").asString()).isEqualTo("LISTINGS");
    }

    @Test
    void demandOfTwoPropertiesThatIsTakenInByTurnsIsKeptApart() {
        List<Shop> shops = List.of(new Shop(api, FIRST), new Shop(api, FIRST));
        List<String> months = List.of("2026-08", "2026-09", "2026-10");
        for (String month : months) {
            for (Shop shop : shops) assertThat(demandNote(shop, List.of(month))).isEqualTo("2 rows of demand read.");
        }
        assertThat(demandNote(shops.get(0), months))
                .isEqualTo("6 rows of demand read, 6 of them in the place of earlier ones.");
        assertThat(demandNote(shops.get(1), List.of("2026-09", "2026-11")))
                .isEqualTo("4 rows of demand read, 2 of them in the place of earlier ones.");
        for (Shop shop : shops) {
            JsonNode window = shop.get("/demand/window").json();
            assertThat(window.path("lastDay").asString()).isEqualTo(shop == shops.get(0) ? "2026-10-31" : "2026-11-30");
        }
    }

    private String demandNote(Shop shop, List<String> months) {
        StringBuilder demand = new StringBuilder("page,query,country,month,clicks,impressions\n");
        for (String month : months)
            for (String query : List.of("ash paddle", "oak paddle"))
                demand.append("https://bay.example/0,")
                        .append(query)
                        .append(",gb,")
                        .append(month)
                        .append(",3,90\n");
        JsonNode plan = plan(shop.property(), "demand.csv", demand.toString());
        return apply(plan, Api.choice(plan));
    }

    @Test
    void aFeedIsFetchedPageByPageThroughItsRestsAndFaults() throws IOException {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            long property = api.property(
                    "videos", website.address().resolve("/channel/videos").toString(), true);
            assertThat(fetched(property).path("note").asString()).isEqualTo("95 rows fetched.");
            JsonNode plan =
                    api.get("/api/imports/" + fetching.path("token").asString()).json();
            assertThat(plan.path("delimiter").asString()).as(plan.toString()).isEqualTo("none");
            int videos = new ChannelVideos(7).json().size();
            assertThat(videos).isGreaterThanOrEqualTo(90);
            assertThat(apply(plan, Api.choice(plan))).isEqualTo(videos + " videos read.");
            JsonNode kinds = api.get("/api/properties/" + property + "/items?check=missing&field=description")
                    .json();
            assertThat(kinds.path("total").asInt()).isEqualTo((int) new ChannelVideos(7)
                    .planted().stream()
                            .filter(fault -> fault.field().equals("description")
                                    && fault.finding().equals("missing"))
                            .count());
            assertThat(api.get("/api/properties/" + property + "/sections")
                            .json()
                            .toString())
                    .contains("In the workshop");
        }
        long broken = api.property("listings", "http://127.0.0.1:9/none", true);
        assertThat(fetched(broken).path("note").asString())
                .contains("page 1 of the feed cannot be reached")
                .contains("nothing was changed");
        long without = api.property("listings", "", true);
        assertThat(api.post("/api/properties/" + without + "/imports/feed", "{}")
                        .problem())
                .contains("no feed address");
    }

    /** Fetches a property's feed and returns the job. */
    private JsonNode fetched(long property) {
        fetching =
                api.post("/api/properties/" + property + "/imports/feed", "{}").json();
        return api.ended(fetching.path("jobId").asLong());
    }

    private JsonNode plan(long property, String name, String content) {
        return api.upload("/api/properties/" + property + "/imports", name, content.getBytes(StandardCharsets.UTF_8))
                .json();
    }

    private static String token(JsonNode plan) {
        return plan.path("token").asString();
    }

    private String apply(JsonNode plan, String choice) {
        Reply applied = api.post("/api/imports/" + token(plan) + "/apply", choice);
        assertThat(applied.status()).as(applied.body()).isEqualTo(200);
        return api.ended(applied.json().path("jobId").asLong()).path("note").asString();
    }

    private long lastSweep(long property) {
        return api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
    }
}
