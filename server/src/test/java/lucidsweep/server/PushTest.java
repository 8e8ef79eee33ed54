package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.ContentSystem;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.ShopListings;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Releases on their way to a content system, and back. */
@ExtendWith(RunningApplication.class)
class PushTest {

    private static DemoSite demo;

    private Website website;
    private ContentSystem content;
    private Api api;
    private Shop shop;

    @BeforeAll
    static void demo() {
        demo = DemoSite.ofSeed(7);
    }

    @BeforeEach
    void shopWithDrafts(Api api) throws Exception {
        this.api = api;
        website = Website.ofDemo(demo, 0);
        content = website.content();
        shop = new Shop(api, new ShopListings(7).csv());
    }

    @AfterEach
    void close() {
        website.close();
    }

    private void setUp(String user) {
        Reply saved =
                shop.put("/content-system", settings(website.address() + "content", user, ContentSystem.PASSWORD));
        assertThat(saved.status()).as(saved.body()).isEqualTo(200);
        assertThat(saved.body()).doesNotContain(ContentSystem.PASSWORD);
    }

    static String settings(String address, String user, String secret) {
        return """
                {"kind":"API","address":"%s","user":"%s","secret":"%s","hasSecret":false,"privateAllowed":true,
                 "parallel":4,"pauseMs":0,"template":null}""".formatted(address, user, secret);
    }

    /** Signs the titles of the first listings and puts them into a release. */
    private JsonNode release(int count) {
        List<Long> ids = new ArrayList<>();
        shop.get("/items?count=" + count)
                .json()
                .path("rows")
                .forEach(row -> ids.add(row.path("id").asLong()));
        long[] some = ids.stream().mapToLong(Long::longValue).toArray();
        shop.batch(edit("after", "title", "\"with\":\" – signed\"", some));
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        Reply made = shop.post("/pushes", "{\"name\":\"Autumn\",\"reason\":\"The client signs everything.\"}");
        assertThat(made.status()).as(made.body()).isEqualTo(200);
        return made.json();
    }

    private JsonNode run(JsonNode push, String path, String body) {
        Reply begun = api.post(path(push) + path, body);
        assertThat(begun.status()).as(begun.body()).isEqualTo(200);
        return api.ended(begun.json().path("jobId").asLong());
    }

    private static String path(JsonNode push) {
        return "/api/pushes/" + push.path("release").path("id").asLong();
    }

    private Map<String, Integer> texts(JsonNode push) {
        Map<String, Integer> counts = new TreeMap<>();
        for (JsonNode each : shop.get("/pushes").json()) {
            if (!each.path("release").path("id").equals(push.path("release").path("id"))) continue;
            each.path("texts")
                    .properties()
                    .forEach(
                            count -> counts.put(count.getKey(), count.getValue().asInt()));
        }
        return counts;
    }

    private List<JsonNode> lines(JsonNode push, String state) {
        List<JsonNode> lines = new ArrayList<>();
        api.get(path(push) + "/lines?limit=500&state=" + state).json().forEach(lines::add);
        return lines;
    }

    private String there(String id) {
        return content.text("listings", id, "title");
    }

    private String state(String id) {
        return shop.row(id).path("title").path("state").asString();
    }

    @Test
    void aReleaseArrivesThroughFaultsOnceAndConflictsAreDecidedByAPerson() {
        setUp(ContentSystem.TROUBLED);
        JsonNode push = release(50);
        assertThat(push.path("release").path("name").asString()).isEqualTo("Autumn");
        assertThat(texts(push)).isEqualTo(Map.of("waiting", 50));
        List<JsonNode> lines = lines(push, "waiting");
        String first = lines.get(0).path("address").asString();
        String second = lines.get(30).path("address").asString();
        String inPlace = lines.get(45).path("address").asString();
        assertThat(state(first)).isEqualTo("released");
        content.changeByHand("listings", first, "title", "By the client");
        content.changeByHand("listings", second, "title", "By the client, too");
        content.changeByHand("listings", inPlace, "title", shop.text(inPlace, "title"));

        JsonNode looked = run(push, "/runs", "{\"rehearsal\":true}");
        assertThat(looked.path("note").asString())
                .isEqualTo("47 texts can be pushed, 1 in place already, 2 changed meanwhile.");
        assertThat(content.stored()).as("a rehearsal stores nothing").isZero();

        JsonNode pushed = run(push, "/runs", "{}");
        assertThat(pushed.path("state").asString()).as(pushed.toString()).isEqualTo("done");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 47, "in-place", 1, "changed", 2));
        assertThat(content.stored())
                .as("each once, whatever was never heard of")
                .isEqualTo(47);
        assertThat(there(first)).isEqualTo("By the client");
        JsonNode changed = lines(push, "changed").get(0);
        assertThat(changed.path("found").asString()).isEqualTo("By the client");
        assertThat(changed.path("before").asString()).isNotEmpty();
        assertThat(state(first)).isEqualTo("released");
        assertThat(state(inPlace)).isEqualTo("delivered");

        decide(push, "OURS", first);
        decide(push, "THEIRS", second);
        run(push, "/runs", "{}");
        assertThat(there(first)).endsWith(" – signed");
        assertThat(there(second)).isEqualTo("By the client, too");
        assertThat(state(first)).isEqualTo("delivered");
        assertThat(state(second)).isEqualTo("sent-back");

        // Taken back: the client's own wording is there again, but not over what was written since.
        String since = lines.get(1).path("address").asString();
        String original = lines.get(2).path("before").asString();
        content.changeByHand("listings", since, "title", "Written since");
        JsonNode back = run(push, "/return", "{}");
        assertThat(back.path("note").asString()).isEqualTo("47 taken back, 1 changed since.");
        assertThat(there(first)).isEqualTo("By the client");
        assertThat(there(lines.get(2).path("address").asString())).isEqualTo(original);
        assertThat(there(since)).isEqualTo("Written since");
        assertThat(texts(push)).isEqualTo(Map.of("returned", 47, "changed-since", 1, "in-place", 1, "left", 1));
        assertThat(state(first)).isEqualTo("sent-back");
        assertThat(content.stored()).isEqualTo(47 + 1 + 47);
    }

    private void decide(JsonNode push, String wish, String id) {
        Reply decided = api.post(
                path(push) + "/decisions", "{\"wish\":\"" + wish + "\",\"itemIds\":[" + shop.itemId(id) + "]}");
        assertThat(decided.json().path("texts").asInt()).as(decided.body()).isEqualTo(1);
    }

    @Test
    void firstAFewThenTheRestAndWhatWasChangedMeanwhileStaysHere() {
        setUp(ContentSystem.USER);
        JsonNode push = release(60);
        List<JsonNode> lines = lines(push, "waiting");
        run(push, "/runs", "{\"few\":6}");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 6, "waiting", 54));
        String edited = lines(push, "waiting").get(0).path("address").asString();
        String sentBack = lines(push, "waiting").get(1).path("address").asString();
        String long_ = lines(push, "waiting").get(2).path("address").asString();
        shop.type(edited, "title", "Another wording");
        shop.post(
                "/decisions", "{\"selection\":" + Shop.selection(shop.itemId(sentBack)) + ",\"state\":\"sent-back\"}");
        run(push, "/runs", "{}");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 58, "left", 2));
        assertThat(there(edited)).doesNotContain("signed");
        assertThat(there(sentBack)).doesNotContain("signed");
        assertThat(there(long_)).endsWith("signed");
        assertThat(api.post(path(push) + "/runs", "{}").status())
                .as("nothing waits")
                .isEqualTo(409);

        // A part is taken back.
        String part = Shop.selection(shop.itemId(long_));
        run(push, "/return", "{\"selection\":" + part + "}");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 57, "left", 2, "returned", 1));
        assertThat(there(lines.get(0).path("address").asString())).isNotEmpty();
    }

    @Test
    void whatIsRefusedIsSaidAndTheOtherTextsOfTheItemArrive() {
        setUp(ContentSystem.USER);
        String id = shop.get("/items?count=1")
                .json()
                .path("rows")
                .path(0)
                .path("address")
                .asString();
        shop.type(id, "title", "A long one " + "and on ".repeat(40));
        shop.type(id, "description", "Carved on a shaving horse.");
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        JsonNode push = shop.post("/pushes", "{}").json();
        JsonNode job = run(push, "/runs", "{}");
        assertThat(job.path("note").asString()).isEqualTo("1 pushed, 1 refused.");
        assertThat(lines(push, "refused").get(0).path("note").asString()).isEqualTo("longer than 250 characters");
        assertThat(content.text("listings", id, "description")).isEqualTo("Carved on a shaving horse.");
        assertThat(api.post(path(push) + "/give-up", "{}").json().path("texts").asInt())
                .isEqualTo(1);
        assertThat(state(id)).as("approved for another release").isEqualTo("approved");
    }

    @Test
    void systemsThatAnswerAnythingElseAreSaidInWordsAndNothingIsLost() throws Exception {
        setUp(ContentSystem.USER);
        JsonNode push = release(30);
        Reply wrong = shop.put("/content-system", settings(website.address() + "content", "editor", "guessed"));
        assertThat(wrong.status()).isEqualTo(200);
        JsonNode refused = run(push, "/runs", "{}");
        assertThat(refused.path("state").asString()).isEqualTo("failed");
        assertThat(refused.path("note").asString()).isEqualTo("the content system refuses the login (401)");
        try (Site odd = new Site()) {
            odd.html("/content/login", "<h1>Welcome</h1>");
            shop.put("/content-system", settings(odd.address() + "content", "editor", "x"));
            JsonNode html = run(push, "/runs", "{}");
            assertThat(html.path("note").asString())
                    .contains("nobody can log in to the content system", "no JSON, but “<h1>Welcome</h1>”");
        }
        assertThat(texts(push).getOrDefault("pushed", 0)).isZero();
        setUp(ContentSystem.USER);
        api.post(path(push) + "/decisions", "{\"wish\":\"AGAIN\"}");
        run(push, "/runs", "{}");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 30));
    }

    @Test
    void whatIsOnItsWayGoesOnAfterAClientHasMovedAndItsLoginIsGivenAgain() {
        setUp(ContentSystem.USER);
        JsonNode other = release(3);
        shop = new Shop(api, new ShopListings(7).csv());
        setUp(ContentSystem.USER);
        JsonNode push = release(5);
        run(push, "/runs", "{\"few\":2}");
        String seen = new ShopListings(7).csv();
        for (JsonNode line : lines(push, "pushed"))
            seen = seen.replace(
                    line.path("before").asString(), line.path("after").asString());
        shop.importFile(seen);
        String due = "release:" + push.path("release").path("id").asLong();
        assertThat(keysOfDue()).contains(due);
        shop.post("/watch/due/decide", "{\"key\":\"" + due + "\",\"state\":\"DONE\"}");
        Map<String, Integer> before = texts(push);
        byte[] backup = api.bytes("/api/clients/" + shop.client() + "/backup.zip");
        Reply adding = api.upload("/api/backups/add", "backup.zip", backup);
        assertThat(api.ended(adding.json().path("id").asLong()).path("state").asString())
                .as(adding.body())
                .isEqualTo("done");

        long last = 0;
        for (JsonNode each : api.get("/api/portfolio").json())
            last = Math.max(last, each.path("property").path("id").asLong());
        assertThat(last).isGreaterThan(shop.property());
        shop = new Shop(api, last);
        assertThat(keysOfDue()).as("what is done stays done").noneMatch(key -> key.startsWith("release:"));
        JsonNode moved = shop.get("/pushes").json().path(0);
        assertThat(texts(moved)).isEqualTo(before).isEqualTo(Map.of("pushed", 2, "waiting", 3));
        assertThat(moved.path("release").path("id").asLong())
                .isNotEqualTo(push.path("release").path("id").asLong());
        JsonNode settings = shop.get("/content-system").json().path("settings");
        assertThat(settings.path("address").asString()).isEqualTo(website.address() + "content");
        assertThat(settings.path("hasSecret").asBoolean()).isFalse();

        setUp(ContentSystem.USER);
        run(moved, "/runs", "{}");
        assertThat(texts(moved)).isEqualTo(Map.of("pushed", 5));
        run(moved, "/return", "{}");
        assertThat(texts(moved)).isEqualTo(Map.of("returned", 5));
        assertThat(other.path("texts").path("waiting").asInt()).isEqualTo(3);
    }

    private List<String> keysOfDue() {
        return shop.get("/watch/due").json().findValuesAsString("key");
    }

    @Test
    void aDecisionIsAboutOneTextAndIsKeptUntilItHasArrived() {
        setUp(ContentSystem.USER);
        String id = shop.get("/items?count=1")
                .json()
                .path("rows")
                .path(0)
                .path("address")
                .asString();
        shop.type(id, "title", "Half-model, signed by its maker");
        shop.type(id, "description", "No <markup> is taken.");
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        JsonNode push = shop.post("/pushes", "{}").json();
        content.changeByHand("listings", id, "title", "By the client");
        content.changeByHand("listings", id, "description", "By the client, too");
        run(push, "/runs", "{\"rehearsal\":true}");
        assertThat(texts(push)).isEqualTo(Map.of("changed", 2));
        String one = "{\"wish\":\"OURS\",\"itemIds\":[" + shop.itemId(id) + "],\"field\":\"description\"}";
        assertThat(api.post(path(push) + "/decisions", one).json().path("texts").asInt())
                .isEqualTo(1);
        run(push, "/runs", "{}");
        assertThat(texts(push)).isEqualTo(Map.of("changed", 1, "refused", 1));
        api.post(path(push) + "/decisions", "{\"wish\":\"AGAIN\"}");
        run(push, "/runs", "{}");
        assertThat(texts(push))
                .as("it is refused again, and nobody is asked once more about the client's wording")
                .isEqualTo(Map.of("changed", 1, "refused", 1));
        assertThat(api.post(path(push) + "/decisions", "{\"wish\":\"THEIRS\"}")
                        .json()
                        .path("texts")
                        .asInt())
                .as("what was refused is no wording of theirs")
                .isEqualTo(1);
        assertThat(texts(push)).isEqualTo(Map.of("left", 1, "refused", 1));
    }

    @Test
    void whatIsPausedGoesOnWithTheFewThatWereChosen() {
        setUp(ContentSystem.USER);
        String slow = settings(website.address() + "content", ContentSystem.USER, ContentSystem.PASSWORD);
        shop.put("/content-system", slow.replace("\"pauseMs\":0", "\"pauseMs\":20"));
        JsonNode push = release(60);
        Reply begun = api.post(path(push) + "/runs", "{\"few\":40}");
        long job = begun.json().path("jobId").asLong();
        while (content.stored() < 4) LockSupport.parkNanos(1_000_000);
        assertThat(api.post(path(push) + "/runs", "{}").problem()).contains("pause it first");
        api.post("/api/jobs/" + job + "/stop", "");
        assertThat(api.ended(job).path("state").asString()).isEqualTo("stopped");
        int before = texts(push).getOrDefault("pushed", 0);
        assertThat(before).isBetween(1, 39);
        run(push, "/resume", "");
        assertThat(texts(push)).isEqualTo(Map.of("pushed", 40, "waiting", 20));
        assertThat(content.stored()).as("each once").isEqualTo(40);
        run(push, "/runs", "{\"rehearsal\":true}");
        run(push, "/resume", "");
        assertThat(content.stored()).as("a dry run goes on as one").isEqualTo(40);
    }
}
