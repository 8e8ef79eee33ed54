package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Drafts on their way out: decided upon, handed over, changed again. */
@ExtendWith(RunningApplication.class)
class ReleaseTest {

    private static final String CSV = """
            id,title,description,tags
            A1,Ash paddle,A paddle of ash,"ash paddle, boat gift"
            A2,Oak paddle,A paddle of oak,oak paddle
            """;

    private Api api;
    private Shop shop;

    @BeforeEach
    void shopWithDrafts(Api api) {
        this.api = api;
        shop = new Shop(api, CSV);
        shop.batch(edit("after", "title", "\"with\":\" – signed\""));
        shop.batch(edit("after", "description", "\"with\":\" from the coast\""));
    }

    @Test
    void draftsAreApprovedSentBackAndTakenUpAgain() {
        assertThat(decide("approved", "\"title\"")).isEqualTo(2);
        assertThat(state("A1", "title")).isEqualTo("approved");
        assertThat(state("A1", "description")).isEqualTo("drafted");
        assertThat(decide("sent-back", "\"title\"", shop.itemId("A2"))).isEqualTo(1);
        assertThat(shop.total("state=approved")).isEqualTo(1);
        assertThat(shop.total("state=sent-back&field=title")).isEqualTo(1);
        shop.type("A2", "title", "Oak paddle, signed by its maker");
        assertThat(state("A2", "title"))
                .as("what is written anew is looked at anew")
                .isEqualTo("drafted");
        shop.type("A1", "title", "Ash paddle, signed by its maker");
        assertThat(state("A1", "title"))
                .as("an approval is for a text, not for a field")
                .isEqualTo("drafted");
        assertThat(decide("approved", "")).as("all fields").isEqualTo(4);
    }

    @Test
    void whatDraftsMakeOfAnItemIsSaidWordByWordWithWhatTheyMendAndBreak() {
        shop.type("A1", "title", "ASH PADDLE");
        shop.type("A1", "description", "");
        JsonNode made = shop.getItem("A1", "/before-after");
        JsonNode title = made.path("texts").path(0);
        assertThat(title.path("field").asString()).isEqualTo("title");
        assertThat(title.path("before").asString()).isEqualTo("Ash paddle");
        assertThat(title.path("words").toString()).contains("{\"fate\":\"CAME\",\"text\":\"ASH PADDLE\"}");
        assertThat(title.path("afterFit").path("chars").asInt()).isEqualTo(10);
        assertThat(made.path("come").toString()).contains("\"empty\"");
        assertThat(made.path("gone").toString()).doesNotContain("empty");
        shop.type("A2", "title", "Oak paddle, carved from one board by the sea, for long days out");
        assertThat(shop.getItem("A2", "/before-after").path("gone").toString()).contains("\"too-short\"");
        assertThat(shop.getItem("A2", "/before-after").path("texts")).hasSize(2);
        JsonNode change = shop.get("/items?q=A1&changes=true")
                .json()
                .path("rows")
                .path(0)
                .path("title")
                .path("change");
        assertThat(change.path("words")).isEqualTo(title.path("words"));
        assertThat(change.path("captured")).isEqualTo(title.path("beforeFit"));

        shop.post(
                "/decisions",
                "{\"selection\":" + Shop.selection(shop.itemId("A1"))
                        + ",\"state\":\"sent-back\",\"note\":\" No capitals, please. \"}");
        assertThat(shop.getItem("A1", "/notes").path(0).path("note").asString()).isEqualTo("No capitals, please.");
        assertThat(shop.get("/drafts.csv?state=sent-back").body())
                .contains("A1,title,sent-back,Ash paddle,ASH PADDLE")
                .doesNotContain("A2");
    }

    /** What was written for an item as it was, or for one that is gone, is said before it is delivered. */
    @Test
    void draftsOfPagesThatChangedSinceOrAreGoneAreNamed() {
        shop = new Shop(api, "id,title,description\nB1,Boat hook,Of ash\nB2,Bailer,Of tin\nB3,Buoy,Of cork\n");
        for (String id : List.of("B1", "B2", "B3")) shop.type(id, "title", "Another title of " + id + ", long enough");
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        assertThat(objections()).isEmpty();
        shop.importFile("id,title,description\nB1,Boat hook,Of ash\nB3,Buoy,Of old cork\n");
        assertThat(objections()).containsExactly("OLDER 1 B3", "GONE 1 B2");
        JsonNode delivered = shop.post("/handovers", "{\"format\":\"csv\"}").json();
        assertThat(delivered.path("texts").asInt()).isEqualTo(2);
    }

    private List<String> objections() {
        return shop.get("/handover-objections")
                .json()
                .valueStream()
                .map(found -> found.path("mistake").asString() + " " + found.path("texts") + " "
                        + found.path("examples").path(0).asString())
                .toList();
    }

    @Test
    void whatWasHandedOverIsRecordedAndCanBeChangedAgain() {
        decide("approved", "");
        JsonNode handover = shop.post("/handovers", "{\"format\":\"csv\"}").json();
        assertThat(handover.path("items").asInt()).isEqualTo(2);
        assertThat(handover.path("texts").asInt()).isEqualTo(4);
        String file = file(handover);
        shop.type("A1", "title", "Ash paddle, third edition");
        assertThat(state("A1", "title")).isEqualTo("drafted");
        assertThat(file(handover))
                .as("the record stays as it was")
                .isEqualTo(file)
                .contains("Ash paddle – signed");
        assertThat(shop.get("/handovers").json()).hasSize(1);
        assertThat(shop.post("/handovers", "{\"format\":\"csv\"}").status())
                .as("nothing is approved")
                .isEqualTo(409);
    }

    @Test
    void theImportedShapeIsThatOfTheLastImport() {
        decide("approved", "\"title\"");
        shop.importFile(CSV.replace("id,title,description,tags", "id,title,description,labels"));
        String file = file(shop.post("/handovers", "{\"format\":\"listings\"}").json());
        assertThat(file)
                .startsWith(
                        "id,title,description,labels\r\nA1,Ash paddle – signed,A paddle of ash,\"ash paddle, boat gift\"\r\n");
    }

    @Test
    void whatStoodAboveTheTableComesBackWithIt() {
        decide("approved", "\"title\"");
        shop.importFile("Stall on the quay,,,\n\n" + CSV);
        String file = file(shop.post("/handovers", "{\"format\":\"listings\"}").json());
        assertThat(file).startsWith("Stall on the quay,,,\r\n\r\nid,title,description,tags\r\nA1,Ash paddle – signed,");
    }

    @ParameterizedTest
    @CsvSource({
        "/handovers, '{\"format\":\"pdf\"}', 'expected one of csv, xlsx'",
        "/handovers, '{\"format\":\"html\"}', only pages of a website",
        "/decisions, '{\"selection\":{},\"fields\":[],\"state\":\"shiny\"}', expected one of",
        "/decisions, '{\"selection\":{},\"fields\":[\"price\"],\"state\":\"approved\"}', expected",
    })
    void whatIsNotPossibleIsRefusedInWords(String path, String body, String problem) {
        Reply reply = shop.post(path, body);
        assertThat(reply.status()).as(reply.body()).isBetween(400, 422);
        assertThat(reply.problem()).contains(problem);
    }

    @Test
    void pagesAreHandedOverAsTheirHtmlHead(Api api) {
        try (Site site = new Site()) {
            site.page("/", "Kayaks & <canoes>", "/a--b").page("/a--b", "Second page here", "/");
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            String path = "/api/properties/" + property;
            api.post(path + "/batches", edit("after", "title", "\"with\":\" \\\"by the sea\\\" <b>\""));
            api.post(path + "/batches", edit("before", "description", "\"with\":\"A kayak's day & night\""));
            api.post(path + "/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
            String html =
                    file(api.post(path + "/handovers", "{\"format\":\"html\"}").json());
            assertThat(html)
                    .contains("<!-- " + site.address()
                            + " -->\n<title>Kayaks &amp; &lt;canoes&gt; &quot;by the sea&quot; &lt;b&gt;</title>\n")
                    .contains("<meta name=\"description\" content=\"A kayak&#39;s day &amp; night\">")
                    .contains("a%2D%2Db -->");
            assertThat(api.post(path + "/handovers", "{\"format\":\"listings\"}")
                            .problem())
                    .contains("not filled from a file");
        }
    }

    @Test
    void thePortfolioCountsEachStage() {
        assertThat(standing()).isEqualTo("items 2, drafted 4, sent back 0, approved 0, handed over 0");
        decide("approved", "");
        decide("sent-back", "\"description\"", shop.itemId("A1"));
        assertThat(standing()).isEqualTo("items 2, drafted 0, sent back 1, approved 3, handed over 0");
        shop.post("/handovers", "{\"format\":\"csv\"}");
        assertThat(standing()).isEqualTo("items 2, drafted 0, sent back 1, approved 0, handed over 3");
        boolean listed = false;
        for (JsonNode each : api.get("/api/portfolio").json())
            listed |= each.path("property").path("id").asLong() == shop.property();
        assertThat(listed).isTrue();
    }

    private String standing() {
        JsonNode standing = shop.get("/standing").json();
        return "items %s, drafted %s, sent back %s, approved %s, handed over %s"
                .formatted(
                        standing.path("items"),
                        standing.path("drafted"),
                        standing.path("sentBack"),
                        standing.path("approved"),
                        standing.path("delivered"));
    }

    private int decide(String state, String fields, long... ids) {
        return shop.post(
                        "/decisions",
                        "{\"selection\":" + Shop.selection(ids) + ",\"fields\":[" + fields + "],\"state\":\"" + state
                                + "\"}")
                .json()
                .path("texts")
                .asInt();
    }

    private String state(String id, String field) {
        return shop.row(id).path(field).path("state").asString();
    }

    private String file(JsonNode handover) {
        return api.get("/api/handovers/" + handover.path("id") + "/file").body();
    }

    /** A random tenth keeps its drafts, whatever is delivered, until it is let go. */
    @Test
    void aTenthIsHeldBackUntilItIsLetGo(Api api) {
        StringBuilder csv = new StringBuilder("id,title\n");
        for (int i = 0; i < 40; i++)
            csv.append("H").append(i).append(",Boat ").append(i).append('\n');
        Shop boats = new Shop(api, csv.toString());
        boats.batch(Shop.edit("after", "title", "\"with\":\" of the bay\""));
        boats.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        JsonNode first = boats.post("/handovers", "{\"format\":\"csv\",\"holdBack\":true}")
                .json();
        assertThat(first.path("items").asInt()).isEqualTo(36);
        JsonNode held = boats.get("/handovers").json().get(0);
        assertThat(held.path("heldBack").asInt()).isEqualTo(4);
        assertThat(boats.total("state=approved")).isEqualTo(4);
        Reply refused = boats.post("/handovers", "{\"format\":\"csv\"}");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem()).isEqualTo("All that is approved is held back; let it go first.");
        assertThat(boats.get("/watch/due").json().findValuesAsString("text"))
                .anyMatch(text -> text.startsWith("Let go 4 items"));
        assertThat(api.post("/api/handovers/" + first.path("id") + "/let-go", "{}")
                        .json()
                        .path("items")
                        .asInt())
                .isEqualTo(4);
        assertThat(boats.post("/handovers", "{\"format\":\"csv\",\"holdBack\":true}")
                        .json()
                        .path("items")
                        .asInt())
                .as("of fewer than ten none is held back")
                .isEqualTo(4);
    }
}
