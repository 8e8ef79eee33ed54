package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.time.ZoneOffset;
import java.util.TreeMap;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Keywords find their items; what a person decides stays. */
@ExtendWith(RunningApplication.class)
class AimTest {

    private static final String CSV = """
            id,title,description
            A1,Greenland paddle of ash,A greenland paddle for long days
            A2,Greenland paddle of cedar,A light greenland paddle
            A3,Spray deck for a sea kayak,Keeps the water out of a sea kayak
            A4,Gift voucher,A voucher for somebody who paddles
            """;
    private static final String KEYWORDS =
            "keyword,volume\\ngreenland paddle,900\\ncedar paddle,300\\nspray deck,1.2K\\nwooden oars,50\\n";

    private Shop shop;
    private Api api;

    @BeforeEach
    void shopWithKeywords(Api api) {
        this.api = api;
        shop = new Shop(api, CSV);
        JsonNode added =
                shop.post("/keywords", "{\"text\":\"" + KEYWORDS + "\"}").json();
        assertThat(added.path("added").asInt()).isEqualTo(4);
        assertThat(added.path("aimed").asInt()).as(shop.get("/keywords").body()).isEqualTo(3);
    }

    @Test
    void eachKeywordHasAHomeAndAReason() {
        assertThat(homes())
                .containsEntry("greenland paddle", "A1")
                .containsEntry("cedar paddle", "A2")
                .containsEntry("spray deck", "A3")
                .containsEntry("wooden oars", "");
        assertThat(keyword("spray deck").path("reason").asString()).contains("title");
        assertThat(shop.row("A2").path("aim").path("keyword").asString()).isEqualTo("cedar paddle");
        assertThat(shop.total("target=without")).isEqualTo(1);
        assertThat(shop.total("target=with")).isEqualTo(3);
        assertThat(shop.total("target=" + keyword("spray deck").path("id"))).isEqualTo(1);
        assertThat(shop.get("/keywords?home=without").json().path("rows").findValuesAsString("phrase"))
                .containsExactly("wooden oars");
        assertThat(shop.get("/keywords?home=with").json().path("total").asInt()).isEqualTo(3);
    }

    @Test
    void whatIsSetByHandStaysAndTheOthersMakeRoom() {
        assertThat(aim("greenland paddle", shop.itemId("A2"))).isEqualTo(1);
        assertThat(homes()).containsEntry("greenland paddle", "A2").containsEntry("cedar paddle", "A2");
        assertThat(keyword("cedar paddle").path("role").asString()).isEqualTo("secondary");
        assertThat(shop.row("A2").path("aim").path("byHand").asBoolean()).isTrue();
        String second = "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"SECONDARY\",\"text\":\"1\"}],\"rank\":1}]}";
        shop.batch(Shop.edit("recipe", "title", second));
        assertThat(shop.text("A2", "title")).as("a recipe takes it").isEqualTo("cedar paddle");
        assertThat(shop.text("A1", "title")).as("which has none").isEqualTo("Greenland paddle of ash");
        shop.importFile(CSV.replace("Gift voucher", "Gift voucher for a greenland paddle"));
        assertThat(homes()).as("after the next import").containsEntry("greenland paddle", "A2");

        assertThat(aim(null, shop.itemId("A2"), shop.itemId("A3"))).isEqualTo(2);
        assertThat(shop.row("A3").path("aim").path("keyword").isNull()).isTrue();
        assertThat(shop.row("A3").path("aim").path("reason").asString()).isEqualTo("cleared by hand");
        assertThat(homes()).containsEntry("spray deck", "");
        assertThat(shop.total("target=without")).as("cleared ones have none").isEqualTo(3);

        shop.post("/targets/free", "{\"ids\":[" + shop.itemId("A2") + "," + shop.itemId("A3") + "]}");
        assertThat(homes()).containsEntry("cedar paddle", "A2").containsEntry("spray deck", "A3");
    }

    @Test
    void findingsFollowTheTarget() {
        assertThat(shop.checks("A4")).doesNotContain("title keyword-missing");
        aim("wooden oars", shop.itemId("A4"));
        assertThat(shop.checks("A4")).contains("title keyword-missing", "description keyword-missing");
        shop.type("A4", "title", "A wooden gift voucher");
        assertThat(shop.checks("A4")).contains("title keyword-incomplete").doesNotContain("title keyword-missing");
        shop.type("A4", "title", "Wooden oars: a gift voucher");
        assertThat(shop.checks("A4"))
                .doesNotContain("title keyword-incomplete")
                .contains("description keyword-missing");
        aim(null, shop.itemId("A4"));
        assertThat(shop.checks("A4")).doesNotContain("description keyword-missing");
    }

    @Test
    void keywordsAreBroughtUpToDateAndTakenAway() {
        JsonNode again = shop.post("/keywords", "{\"text\":\"Greenland Paddles\\t1000\\nsea kayak\\t70\\n\"}")
                .json();
        assertThat(again.path("added").asInt()).isEqualTo(1);
        assertThat(again.path("known").asInt()).isEqualTo(1);
        assertThat(keyword("greenland paddle").path("volume").asInt()).isEqualTo(1000);
        aim("spray deck", shop.itemId("A3"));
        Reply removed = shop.post(
                "/keywords/remove", "{\"ids\":[" + keyword("spray deck").path("id") + "]}");
        assertThat(homes()).doesNotContainKey("spray deck").containsEntry("sea kayak", "A3");
        assertThat(shop.row("A3").path("aim").path("byHand").asBoolean()).isFalse();
        shop.post("/keywords/restore", removed.body());
        assertThat(keyword("spray deck").path("volume").asInt()).isEqualTo(1200);
        assertThat(shop.row("A3").path("aim").path("keyword").asString()).isEqualTo("spray deck");
        assertThat(shop.row("A3").path("aim").path("byHand").asBoolean())
                .as("what was decided comes back")
                .isTrue();
        shop.post("/keywords/remove", "{\"filter\":{\"q\":\"paddle\"}}");
        assertThat(shop.get("/keywords").json().path("rows").findValuesAsString("phrase"))
                .containsExactly("spray deck", "sea kayak", "wooden oars");
        assertThat(shop.post("/keywords", "{\"text\":\"cedar paddles\"}")
                        .json()
                        .path("known")
                        .asInt())
                .as("one that is added again is the one that was taken away")
                .isEqualTo(1);
        assertThat(keyword("cedar paddle").path("volume").asInt()).isEqualTo(300);
    }

    @Test
    void whatIsKeptStaysWhateverComes() {
        shop.post("/keywords/keep", "{\"filter\":{\"q\":\"cedar\"}}");
        assertThat(shop.post("/targets/keep", "{\"ids\":[" + shop.itemId("A3") + "]}")
                        .json()
                        .path("items")
                        .asInt())
                .isEqualTo(1);
        shop.importFile(CSV.replace("of cedar", "of ash").replace("Spray deck", "Lid"));
        assertThat(homes()).containsEntry("cedar paddle", "A2").containsEntry("spray deck", "A3");
        assertThat(keyword("spray deck").path("reason").asString()).startsWith("kept: in the title");
        assertThat(keyword("greenland paddle").path("byHand").asBoolean()).isFalse();
        shop.post("/targets/free", "{\"ids\":[" + shop.itemId("A2") + "," + shop.itemId("A3") + "]}");
        assertThat(keyword("spray deck").path("byHand").asBoolean()).isFalse();
    }

    @Test
    void anItemsKeywordsAreToldWithHowItsTextsServeThem() {
        shop.post("/keywords", "{\"text\":\"greenland paddle of cedar\\t700\"}");
        JsonNode keywords = shop.getItem("A2", "/keywords");
        assertThat(keywords.findValuesAsString("role")).startsWith("primary").contains("secondary");
        JsonNode first = keywords.get(0);
        assertThat(first.path("phrase").asString()).isEqualTo("greenland paddle of cedar");
        assertThat(first.path("title").path("service").asString()).isEqualTo("AT_ITS_START");
        assertThat(first.path("description").path("missing").toString()).isEqualTo("[\"cedar\"]");
        assertThat(first.path("h1").path("service").asString()).isEqualTo("NOT_AT_ALL");
        shop.type("A2", "title", "Paddle");
        assertThat(shop.getItem("A2", "/keywords")
                        .get(0)
                        .path("title")
                        .path("service")
                        .asString())
                .as("a draft counts")
                .isEqualTo("PARTLY");
    }

    @Test
    void phrasesStandOnListsUntilTheirMonthComes(Api api) {
        String now = YearMonth.now(ZoneOffset.UTC).toString();
        shop.post("/reviews/keywords", "{\"list\":\" Spring  tours\",\"month\":\"2099-03\",\"selection\":{}}");
        shop.post(
                "/reviews/keywords",
                "{\"list\":\"Spring tours\",\"month\":\"" + now + "\",\"selection\":{\"ids\":["
                        + keyword("spray deck").path("id") + "]}}");
        shop.post("/reviews/tags", "{\"list\":\"Spring tours\",\"month\":\"\",\"tags\":[\"oar\",\"oar\"]}");
        JsonNode all = shop.get("/reviews").json();
        assertThat(all.findValuesAsString("list")).hasSize(5).containsOnly("Spring tours");
        assertThat(all.get(0).path("phrase").asString()).isEqualTo("spray deck");
        assertThat(all.get(0).path("due").asBoolean()).isTrue();
        assertThat(all.get(0).path("volume").asInt()).isEqualTo(1200);
        assertThat(all.get(0).path("address").asString()).isEqualTo("A3");
        assertThat(all.get(4).path("kind").asString()).isEqualTo("TAG");
        String standing = "/api/properties/" + shop.property() + "/standing";
        assertThat(api.get(standing).json().path("due").asInt()).isEqualTo(1);
        shop.post("/reviews/month", "{\"ids\":[" + all.get(0).path("id") + "],\"month\":\"2099-01\"}");
        shop.post("/reviews/remove", "[" + all.get(4).path("id") + "]");
        assertThat(api.get(standing).json().path("due").asInt()).isZero();
        assertThat(shop.get("/reviews").json().findValuesAsString("dueMonth"))
                .containsExactly("2099-01", "2099-03", "2099-03", "2099-03");
        String items =
                "{\"list\":\"Titles\",\"month\":\"2098-02\",\"name\":\"Titles that are too long\",\"place\":\"%s\"}";
        shop.post("/reviews/items", items.formatted("field=title&check=too-long"));
        JsonNode titles = shop.get("/reviews").json().get(0);
        assertThat(titles.path("kind").asString()).isEqualTo("ITEMS");
        assertThat(titles.path("place").asString()).isEqualTo("field=title&check=too-long");
        assertThat(shop.post("/reviews/items", items.formatted("")).status()).isEqualTo(422);
        assertThat(shop.post("/reviews/tags", "{\"list\":\" \",\"month\":\"\",\"tags\":[\"oar\"]}")
                        .problem())
                .contains("expected the name of a list");
        assertThat(shop.post("/reviews/tags", "{\"list\":\"x\",\"month\":\"soon\",\"tags\":[\"oar\"]}")
                        .problem())
                .contains("expected a month such as");
    }

    @Test
    void theListIsSortedSearchedAndTakenAway() {
        assertThat(shop.get("/keywords").json().path("rows").findValuesAsString("phrase"))
                .containsExactly("spray deck", "greenland paddle", "cedar paddle", "wooden oars");
        assertThat(shop.get("/keywords?sort=phrase&desc=false")
                        .json()
                        .path("rows")
                        .findValuesAsString("phrase"))
                .containsExactly("cedar paddle", "greenland paddle", "spray deck", "wooden oars");
        assertThat(shop.get("/keywords?q=PADDLE").json().path("total").asInt()).isEqualTo(2);
        assertThat(shop.get("/keywords?q=%25").json().path("total").asInt())
                .as("a plain sign")
                .isZero();
        assertThat(shop.get("/keywords?from=1&count=2").json().path("rows").findValuesAsString("phrase"))
                .containsExactly("greenland paddle", "cedar paddle");
        assertThat(shop.get("/keywords.csv?q=paddle&sort=phrase&desc=false")
                        .body()
                        .lines())
                .as("as the table stands")
                .extracting(line -> line.split(",")[0])
                .containsExactly("keyword", "cedar paddle", "greenland paddle");
        assertThat(shop.get("/keywords.csv?home=without").body().lines())
                .containsExactly(
                        "keyword,volume,broad,competition,country,peaks,intent,topic,brand,place,address,role,position,clicks,impressions,reason",
                        "wooden oars,50,,,,,commercial,wooden oars,no,,,,,0,0,");
    }

    @Test
    void whatIsNotThereIsRefused() {
        Shop other = new Shop(api, CSV);
        Reply reply = other.post(
                "/targets",
                "{\"selection\":{},\"keywordId\":" + keyword("spray deck").path("id") + "}");
        assertThat(reply.status()).isEqualTo(404);
        assertThat(reply.problem()).contains("no keyword").contains("in this property");
        assertThat(shop.get("/keywords?sort=colour").status()).isEqualTo(422);
        assertThat(shop.post("/keywords", "{\"text\":\"https://tarrin.example/\\n\"}")
                        .problem())
                .contains("no keyword could be read")
                .contains("an address, not a phrase");
    }

    private int aim(String keyword, long... items) {
        String id = keyword == null ? "null" : keyword(keyword).path("id").toString();
        return shop.post("/targets", "{\"selection\":" + Shop.selection(items) + ",\"keywordId\":" + id + "}")
                .json()
                .path("items")
                .asInt();
    }

    private JsonNode keyword(String phrase) {
        return shop.get("/keywords?q=" + Api.encoded(phrase))
                .json()
                .path("rows")
                .get(0);
    }

    private TreeMap<String, String> homes() {
        TreeMap<String, String> homes = new TreeMap<>();
        for (JsonNode row : shop.get("/keywords").json().path("rows"))
            homes.put(row.path("phrase").asString(), row.path("address").asString(""));
        return homes;
    }
}
