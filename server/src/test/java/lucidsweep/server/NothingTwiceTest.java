package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Two tabs, six requests at once, two people: nothing is delivered twice, nothing is overwritten unseen. */
@ExtendWith(RunningApplication.class)
class NothingTwiceTest {

    private static final int LISTINGS = 40;

    private Api api;
    private Shop shop;

    @BeforeEach
    void aShop(Api api) {
        this.api = api;
        StringBuilder csv = new StringBuilder("id,title,description,note\n");
        for (int i = 0; i < LISTINGS; i++)
            csv.append("L%02d,Paddle %d,Carved in shed %d,=2+2 ways\n".formatted(i, i, i));
        shop = new Shop(api, csv.toString());
    }

    private static <T> List<T> atOnce(int times, Callable<T> work) throws Exception {
        ExecutorService threads = Executors.newFixedThreadPool(times);
        try {
            List<Future<T>> futures = threads.invokeAll(java.util.Collections.nCopies(times, work));
            List<T> results = new ArrayList<>();
            for (Future<T> future : futures) results.add(future.get());
            return results;
        } finally {
            threads.shutdownNow();
        }
    }

    private JsonNode decide(String state, String more) {
        return shop.post("/decisions", "{\"selection\":{},\"state\":\"" + state + "\"" + more + "}")
                .json();
    }

    private String file(JsonNode handover) {
        return api.get("/api/handovers/" + handover.path("id").asLong() + "/file")
                .body();
    }

    @Test
    void sixHandoversAtOnceDeliverEveryTextOnce() throws Exception {
        shop.batch(Shop.edit("after", "title", "\"with\":\", oiled\""));
        assertThat(decide("approved", "").path("texts").asInt()).isEqualTo(LISTINGS);
        List<Reply> replies = atOnce(6, () -> shop.post("/handovers", "{\"format\":\"csv\"}"));
        assertThat(replies).extracting(Reply::status).containsOnlyOnce(200).containsOnly(200, 409);
        assertThat(shop.get("/handovers").json()).hasSize(1);
        assertThat(decide("approved", "").path("left").asInt())
                .as("what the client has is not approved again")
                .isEqualTo(LISTINGS);
        Reply empty = shop.post("/handovers", "{\"format\":\"csv\"}");
        assertThat(empty.status()).isEqualTo(409);
        assertThat(empty.problem()).isEqualTo("No draft is approved, so there is nothing to deliver.");
    }

    @Test
    void whatWasDeliveredIsKeptToTheByteAndIsNoChangeForTheImport() {
        shop.batch(Shop.edit("after", "title", "\"with\":\" – +44 7700 900123\"", shop.itemId("L03")));
        shop.type("L04", "title", "@fish");
        shop.type("L05", "description", "-20");
        decide("approved", "");
        JsonNode handover = shop.post("/handovers", "{\"format\":\"listings\"}").json();
        String delivered = file(handover);
        assertThat(delivered)
                .isEqualTo("id,title,description,note\r\n"
                        + "L03,Paddle 3 – +44 7700 900123,Carved in shed 3,=2+2 ways\r\n"
                        + "L04,@fish,Carved in shed 4,=2+2 ways\r\n"
                        + "L05,Paddle 5,-20,=2+2 ways\r\n");
        JsonNode plan = api.upload(
                        "/api/properties/" + shop.property() + "/imports", "back.csv", delivered.getBytes(UTF_8))
                .json();
        JsonNode trial = api.post("/api/imports/" + plan.path("token").asString() + "/trial", Api.choice(plan))
                .json();
        assertThat(trial.path("changed").asInt())
                .as("the three drafts and nothing else")
                .isEqualTo(3);
        shop.importFile("note;description;id;title\nx;Another shape;L03;Altogether\ny;Of the file;L04;Now\n");
        assertThat(file(handover)).isEqualTo(delivered);
        String live = "id,title,description\nL03,Paddle 3 – +44 7700 900123,x\nL04,'@fish,x\nL05,Paddle 5,x\n";
        shop.importFile(live);
        assertThat(shop.row("L03").path("title").path("state").asString()).isEqualTo("live");
        assertThat(shop.row("L04").path("title").path("captured").asString())
                .as("the mark of a table for spreadsheets is taken off again")
                .isEqualTo("@fish");
        assertThat(shop.row("L05").path("description").path("state").asString()).isEqualTo("delivered");
    }

    @Test
    void undoLeavesWhatWasDeliveredAndSaysWhere() {
        long batch = shop.batch(Shop.edit("after", "title", "\"with\":\", oiled\""))
                .path("id")
                .asLong();
        String some = "{\"selection\":{\"ids\":[" + shop.itemId("L01") + "," + shop.itemId("L02")
                + "]},\"state\":\"approved\"}";
        shop.post("/decisions", some);
        long handover = shop.post("/handovers", "{\"format\":\"csv\"}")
                .json()
                .path("id")
                .asLong();
        JsonNode undone = api.post("/api/batches/" + batch + "/undo", "").json();
        assertThat(undone.path("left").get(0).path("handoverId").asLong()).isEqualTo(handover);
        assertThat(undone.path("left").get(0).path("texts").asInt()).isEqualTo(2);
        assertThat(shop.text("L01", "title")).isEqualTo("Paddle 1, oiled");
        assertThat(shop.text("L07", "title")).isEqualTo("Paddle 7");
        api.post("/api/batches/" + batch + "/redo", "");
        assertThat(shop.row("L01").path("title").path("state").asString()).isEqualTo("delivered");
        decide("approved", "");
        shop.post("/handovers", "{\"format\":\"csv\"}");
        Reply all = api.post("/api/batches/" + batch + "/undo", "");
        assertThat(all.status()).isEqualTo(409);
        assertThat(all.problem()).startsWith("All of its texts were delivered since, in handover " + handover);
    }

    @Test
    void theSecondTabIsShownBothTexts() {
        long item = shop.itemId("L01");
        String cell = "[{\"itemId\":%d,\"field\":\"title\",\"text\":\"%s\",\"from\":\"Paddle 1\"}]";
        assertThat(shop.post("/cells", cell.formatted(item, "Ash paddle")).status())
                .isEqualTo(200);
        Reply second = shop.post("/cells", cell.formatted(item, "Oak paddle"));
        assertThat(second.status()).isEqualTo(409);
        JsonNode conflict = second.json().path("conflicts").get(0);
        assertThat(conflict.path("address").asString()).isEqualTo("L01");
        assertThat(conflict.path("now").asString()).isEqualTo("Ash paddle");
        assertThat(conflict.path("wanted").asString()).isEqualTo("Oak paddle");
        assertThat(shop.text("L01", "title")).isEqualTo("Ash paddle");
        assertThat(shop.post("/cells", cell.formatted(item, "Ash paddle")).problem())
                .as("two who want the same agree")
                .isEqualTo("Nothing would change, so nothing was done.");
    }

    @Test
    void nobodyApprovesWhatHeNeverSaw() {
        shop.type("L01", "title", "Ash paddle");
        long seen = shop.get("/items").json().path("revision").asLong();
        shop.type("L01", "title", "Ash paddle, second thoughts");
        Reply refused = shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\",\"asOf\":" + seen + "}");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("conflicts").get(0).path("now").asString())
                .isEqualTo("Ash paddle, second thoughts");
        assertThat(shop.row("L01").path("title").path("state").asString()).isEqualTo("drafted");
        long now = shop.get("/items").json().path("revision").asLong();
        assertThat(decide("approved", ",\"asOf\":" + now).path("texts").asInt()).isEqualTo(1);
    }

    @Test
    void aBatchIsRefusedWhereItsTextsChangedAfterThePreview() {
        JsonNode preview = shop.preview(Shop.edit("after", "title", "\"with\":\", oiled\""));
        shop.type("L09", "title", "Paddle nine");
        String edit = Shop.edit("after", "title", "\"with\":\", oiled\"");
        String asOf = edit.substring(0, edit.length() - 1) + ",\"asOf\":" + preview.path("asOf") + "}";
        Reply refused = shop.post("/batches", asOf);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("conflicts").get(0).path("now").asString())
                .isEqualTo("Paddle nine");
        assertThat(shop.text("L01", "title")).isEqualTo("Paddle 1");
    }

    @Test
    void oneSweepOfAPropertyAtATime() throws Exception {
        try (Site site = new Site()) {
            site.page("/", "Start", "/a").page("/a", "Page a");
            long property = api.property("website", site.address(), true);
            List<Reply> replies = atOnce(
                    4,
                    () -> api.post(
                            "/api/properties/" + property + "/sweeps",
                            "{\"maxPages\":50,\"maxDepth\":5,\"connections\":1,\"delayMs\":300}"));
            assertThat(replies).extracting(Reply::status).containsOnlyOnce(200).containsOnly(200, 409);
            assertThat(replies.stream().filter(reply -> reply.status() == 409))
                    .allSatisfy(reply -> assertThat(reply.problem())
                            .containsAnyOf("is under way since", "Another sweep of this property has just begun."));
            JsonNode sweeps = api.get("/api/properties/" + property + "/sweeps").json();
            assertThat(sweeps).hasSize(1);
            api.ended(sweeps.get(0).path("jobId").asLong());
            assertThat(api.get("/api/properties/" + property + "/jobs").json()).hasSize(1);
        }
    }

    @Test
    void manyKeepsAtOnceAllSucceedAndTheirFindingsFollow() throws Exception {
        shop.batch(Shop.edit("before", "description", "\"with\":\"Same. \""));
        Set<Long> ids = new HashSet<>();
        for (JsonNode row : shop.get("/items?count=100").json().path("rows"))
            ids.add(row.path("id").asLong());
        List<Long> each = new ArrayList<>(ids);
        List<Reply> replies = atOnce(24, new Callable<>() {
            private int next;

            @Override
            public Reply call() {
                long id;
                synchronized (this) {
                    id = each.get(next++);
                }
                return shop.post(
                        "/keeps",
                        "{\"selection\":{\"ids\":[" + id
                                + "]},\"fields\":[\"title\",\"description\"],\"reason\":\"fine\"}");
            }
        });
        assertThat(replies).extracting(Reply::status).containsOnly(200);
        assertThat(shop.total("field=title&check=too-short")).isEqualTo(LISTINGS - 24);
    }

    @Test
    void textsOfAnotherPropertyAreNotTouched() {
        Shop other = new Shop(api, "id,title\nX1,Tent\n");
        Reply reply =
                shop.post("/cells", "[{\"itemId\":" + other.itemId("X1") + ",\"field\":\"title\",\"text\":\"Hut\"}]");
        assertThat(reply.status()).isEqualTo(404);
        assertThat(reply.problem()).contains("in this property");
        assertThat(other.text("X1", "title")).isEqualTo("Tent");
        Reply longText = shop.post(
                "/cells",
                "[{\"itemId\":" + shop.itemId("L01") + ",\"field\":\"title\",\"text\":\"" + "x".repeat(100_001)
                        + "\"}]");
        assertThat(longText.status()).isEqualTo(422);
        assertThat(longText.problem()).contains("at most 100,000 characters");
    }

    private String range(String action, int from, int count, String more) {
        long asOf = shop.get("/items").json().path("asOf").asLong();
        return "{\"action\":\"%s\",\"filter\":{},\"order\":{\"sort\":\"-address\",\"asOf\":%d},\"from\":%d,\"count\":%d%s}"
                .formatted(action, asOf, from, count, more);
    }

    @Test
    void rowsOutOfViewAreChangedByWhatTheyHold() {
        assertThat(shop.post("/ranges", range("FILL", 2, 38, ",\"fields\":[\"title\",\"description\"]"))
                        .status())
                .isEqualTo(200);
        assertThat(shop.text("L38", "title")).as("above the first of them").isEqualTo("Paddle 38");
        assertThat(shop.text("L37", "title")).isEqualTo("Paddle 37");
        assertThat(shop.text("L00", "title")).isEqualTo("Paddle 37");
        assertThat(shop.text("L00", "description")).isEqualTo("Carved in shed 37");
        shop.post("/ranges", range("REVERT", 0, 40, ",\"fields\":[\"title\"]"));
        assertThat(shop.text("L00", "title")).isEqualTo("Paddle 0");
        assertThat(shop.text("L00", "description")).isEqualTo("Carved in shed 37");
        String cells = ",\"fields\":[\"title\",\"description\"],\"cells\":[[\"A\",\"B\"],[\"C\",\"D\"]]";
        shop.post("/ranges", range("PASTE", 0, 5, cells));
        assertThat(List.of(shop.text("L39", "title"), shop.text("L38", "description"), shop.text("L35", "title")))
                .as("the block is repeated")
                .containsExactly("A", "D", "A");
        shop.post("/ranges", range("PASTE", 0, 2, ",\"fields\":[\"title\",\"description\"],\"cells\":[[\"=X\"]]"));
        assertThat(shop.text("L38", "description"))
                .as("one value for all columns")
                .isEqualTo("=X");
        assertThat(shop.get("/items/copy?columns=address,title,description&sort=-address&from=0&count=3")
                        .body())
                .isEqualTo("L39\t=X\t=X\r\nL38\t=X\t=X\r\nL37\tA\tB\r\n");
    }

    @Test
    void rowsThatAreNotTheOnesThatWereSeenStay() {
        String more = ",\"fields\":[\"title\"],\"firstId\":" + shop.itemId("L39") + ",\"lastId\":" + shop.itemId("L20");
        Reply other = shop.post("/ranges", range("FILL", 0, 19, more));
        assertThat(other.status()).isEqualTo(409);
        assertThat(other.problem()).contains("order of the rows has changed");
        assertThat(shop.post("/ranges", range("FILL", 0, 20, more)).status()).isEqualTo(200);
        long seen = shop.get("/items").json().path("revision").asLong();
        shop.type("L30", "title", "By somebody else");
        Reply refused = shop.post("/ranges", range("REVERT", 0, 20, ",\"fields\":[\"title\"],\"asOf\":" + seen));
        assertThat(refused.json().path("conflicts").get(0).path("now").asString())
                .isEqualTo("By somebody else");
    }

    @Test
    void aRangeThatIsWorkedOnForAWhileIsRefusedAtOnceWhereSomebodyWasFaster() {
        StringBuilder csv = new StringBuilder("id,title\n");
        for (int i = 0; i < 600; i++) csv.append("M%03d,Oar %d\n".formatted(i, i));
        Shop many = new Shop(api, csv.toString());
        String seen =
                ",\"fields\":[\"title\"],\"asOf\":" + many.get("/items").json().path("revision");
        many.type("M300", "title", "By somebody else");
        Reply refused = many.post("/ranges", range("FILL", 0, 600, seen));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.json().path("conflicts").get(0).path("now").asString())
                .isEqualTo("By somebody else");
        assertThat(many.get("/jobs").json().findValuesAsString("state")).containsOnly("done");
    }
}
