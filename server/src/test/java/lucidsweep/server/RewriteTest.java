package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Drafts, batches, keeps and releases of a small shop. */
@ExtendWith(RunningApplication.class)
class RewriteTest {

    private static final String CSV = """
            id;title;description;tags;price;note
            A1;Ash paddle, hand carved in our boat shed;A paddle of ash for people who like to take their time about it.;ash paddle, boat gift;45,00;=1+1
            A2;Oak paddle, hand carved in our boat shed;A paddle of oak, heavier than ash and with a grain like wind on water.;oak paddle;49,00;
            A3;Oak paddle, hand carved in our boat shed;-A paddle of oak too, with a finding in the blade that does no harm at all.;;39,00;second
            """;

    private Api api;
    private Shop shop;

    @BeforeEach
    void importTheShop(Api api) {
        this.api = api;
        shop = new Shop(api, CSV);
    }

    @Test
    void batchesAreUndoneAndRedoneUnlessALaterOneTouchedTheSameTexts() {
        long first = batch(edit("after", "title", "\"with\":\" – signed\""));
        long second = batch(edit("replace", "title", "\"find\":\"ash\",\"with\":\"cedar\""));
        long third = batch(edit("before", "description", "\"with\":\"New: \""));
        assertThat(title("A1")).isEqualTo("cedar paddle, hand carved in our boat shed – signed");

        Reply refused = api.post("/api/batches/" + first + "/undo", "");
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.problem())
                .contains("“ash” replaced by “cedar”")
                .contains("(1 text)")
                .contains("nothing was changed");
        assertThat(title("A2")).endsWith("signed");

        assertThat(api.post("/api/batches/" + second + "/undo", "").status()).isEqualTo(200);
        assertThat(api.post("/api/batches/" + first + "/undo", "").status()).isEqualTo(200);
        assertThat(title("A1")).isEqualTo("Ash paddle, hand carved in our boat shed");
        assertThat(shop.row("A1").path("title").path("draft").isNull()).isTrue();
        assertThat(shop.row("A1").path("description").path("draft").asString()).startsWith("New: A paddle");

        assertThat(api.post("/api/batches/" + second + "/redo", "").problem())
                .as("it stood upon the first")
                .isNotEmpty();
        assertThat(api.post("/api/batches/" + first + "/redo", "").status()).isEqualTo(200);
        assertThat(api.post("/api/batches/" + second + "/redo", "").status()).isEqualTo(200);
        assertThat(title("A1")).isEqualTo("cedar paddle, hand carved in our boat shed – signed");
        assertThat(api.post("/api/batches/" + third + "/undo", "").status()).isEqualTo(200);
        assertThat(api.get("/api/items/" + shop.row("A1").path("id") + "/history")
                        .json())
                .hasSize(3);
    }

    @Test
    void findingsFollowEveryEdit() {
        assertThat(shop.checks("A2")).contains("title duplicate");
        assertThat(shop.checks("A3")).contains("title duplicate", "tags missing");
        shop.type("A3", "title", "Oak paddle, second choice, hand carved in our shed");
        assertThat(shop.checks("A2")).doesNotContain("title duplicate");
        assertThat(shop.checks("A3")).doesNotContain("title duplicate");
        shop.type("A1", "title", "OAK PADDLE: hand carved in our boat shed");
        assertThat(shop.checks("A1")).contains("title duplicate");
        assertThat(shop.checks("A2")).contains("title duplicate");
        assertThat(shop.get("/causes").json().toString()).contains("1 item has no tags.");
    }

    @Test
    void aRecipeNeverGivesTwoItemsTheSameText() {
        String recipe =
                "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"TITLE\",\"text\":\"\"}],\"before\":\"\",\"letterCase\":\"TITLE\",\"rank\":1,\"shortenable\":true}]}";
        JsonNode preview = shop.preview(edit("recipe", "title", recipe));
        assertThat(preview.path("changes").asInt()).isEqualTo(3);
        assertThat(preview.path("toldApart").asInt()).isEqualTo(1);
        assertThat(title("A1")).as("a preview changes nothing").startsWith("Ash paddle");
        batch(edit("recipe", "title", recipe));
        assertThat(title("A2")).isEqualTo("Oak Paddle, Hand Carved in Our Boat Shed");
        assertThat(title("A3")).isEqualTo("Oak Paddle, Hand Carved in Our Boat Shed – 39,00");
    }

    @Test
    void whatIsKeptStaysAndItsFindingsGo() {
        String keep = "{\"selection\":{\"ids\":[" + shop.row("A3").path("id")
                + "]},\"fields\":[\"title\",\"tags\"],\"reason\":%s}";
        assertThat(shop.post("/keeps", keep.formatted("\" \"")).status()).isEqualTo(422);
        shop.post("/keeps", keep.formatted("\"the maker's own words\""));
        batch(edit("after", "title", "\"with\":\" – signed\""));
        assertThat(title("A3")).isEqualTo("Oak paddle, hand carved in our boat shed");
        assertThat(shop.checks("A3")).doesNotContain("tags missing", "title duplicate");
        shop.post("/keeps", keep.formatted("null"));
        assertThat(shop.checks("A3")).contains("tags missing");
    }

    @Test
    void draftsSurviveTheNextImport() {
        shop.type("A1", "title", "Ash paddle by hand, from the shed by the harbour");
        String next =
                CSV.replace("A2;Oak paddle, hand", "A2;White oak paddle, hand").replaceAll("(?m)^A3.*\n", "");
        shop.importFile(next);
        assertThat(title("A1")).isEqualTo("Ash paddle by hand, from the shed by the harbour");
        assertThat(title("A2")).startsWith("White oak");
        assertThat(shop.get("/items").json().path("total").asInt()).isEqualTo(2);
        shop.importFile(CSV);
        assertThat(shop.row("A3").path("title").path("captured").asString())
                .as("gone and back again")
                .startsWith("Oak paddle");
    }

    @Test
    void approvedDraftsAreHandedOverInEveryShape() {
        shop.type("A1", "title", "=Ash \"paddle\" <b>");
        shop.type("A2", "tags", "oak paddle, boat gift");
        batch(edit("after", "description", "\"with\":\" Oiled.\""));
        assertThat(shop.post("/handovers", "{\"format\":\"csv\"}").problem()).contains("nothing to deliver");
        String some = "{\"selection\":{\"ids\":[" + shop.row("A1").path("id") + ","
                + shop.row("A2").path("id") + "]},\"fields\":[\"title\",\"tags\"],\"state\":\"approved\"}";
        assertThat(shop.post("/decisions", some).json().path("texts").asInt()).isEqualTo(2);

        String listings = handOver("listings");
        assertThat(listings).startsWith("id;title;description;tags;price;note\r\n");
        assertThat(listings)
                .contains("A1;\"=Ash \"\"paddle\"\" <b>\";A paddle of ash")
                .contains(";45,00;=1+1\r\n");
        assertThat(listings)
                .contains(";oak paddle, boat gift;49,00;")
                .doesNotContain("A3;")
                .doesNotContain("Oiled");
        assertThat(shop.row("A1").path("title").path("state").asString()).isEqualTo("delivered");

        shop.type("A1", "title", "=Ash \"paddle\" <i>");
        shop.type("A2", "tags", "oak paddle, oar");
        shop.post("/decisions", some);
        assertThat(handOver("json"))
                .contains("\"address\":\"A1\",\"title\":\"=Ash \\\"paddle\\\" <i>\"")
                .contains("[\"oak paddle\",\"oar\"]");
        shop.type("A1", "title", "=Ash paddle");
        shop.post("/decisions", some);
        assertThat(handOver("csv")).contains("A1,title,\"Ash paddle, hand carved in our boat shed\",=Ash paddle\r\n");
        assertThat(shop.get("/handovers").json()).hasSize(3);
    }

    @Test
    void whatCannotBeUsedIsRefusedInWords() {
        assertThat(preview("replace", "title", "\"find\":\"(a\",\"way\":\"regex\""))
                .contains("character 3");
        assertThat(preview("replace", "title", "\"find\":\"\"")).contains("a text to find");
        assertThat(preview("add-tags", "title", "\"tags\":[\"a\"]")).contains("does not go with title");
        assertThat(preview("polish", "title", "\"find\":\"x\"")).contains("no tool \"polish\"");
        assertThat(shop.post("/batches", edit("after", "title", "\"with\":\"\""))
                        .status())
                .isEqualTo(422);
        assertThat(shop.post("/batches", edit("replace", "title", "\"find\":\"zebra\""))
                        .problem())
                .contains("Nothing would change");
        assertThat(shop.post("/cells", "[{").status()).isEqualTo(400);
    }

    private String preview(String tool, String field, String rest) {
        return shop.post("/previews", edit(tool, field, rest)).problem();
    }

    private String handOver(String format) {
        Reply handover = shop.post("/handovers", "{\"format\":\"" + format + "\"}");
        return api.get("/api/handovers/" + handover.json().path("id") + "/file").body();
    }

    private long batch(String edit) {
        return shop.batch(edit).path("id").asLong();
    }

    private String title(String id) {
        return shop.text(id, "title");
    }
}
