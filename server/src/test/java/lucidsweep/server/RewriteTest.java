package lucidsweep.server;

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

    private static final String ALL = "\"selection\":{}";
    private static final String CSV = """
            id;title;description;tags;price;note
            A1;Ash paddle, hand carved in our boat shed;A paddle of ash for people who like to take their time about it.;ash paddle, boat gift;45,00;=1+1
            A2;Oak paddle, hand carved in our boat shed;A paddle of oak, heavier than ash and with a grain like wind on water.;oak paddle;49,00;
            A3;Oak paddle, hand carved in our boat shed;-A paddle of oak too, with a flaw in the blade that does no harm at all.;;39,00;second
            """;

    private Api api;
    private long property;

    @BeforeEach
    void importTheShop(Api api) {
        this.api = api;
        property = api.property("listings", "", false);
        assertThat(api.importListings(property, CSV).path("state").asString()).isEqualTo("done");
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
                .contains("(1 texts)")
                .contains("nothing was changed");
        assertThat(title("A2")).endsWith("signed");

        assertThat(api.post("/api/batches/" + second + "/undo", "").status()).isEqualTo(200);
        assertThat(api.post("/api/batches/" + first + "/undo", "").status()).isEqualTo(200);
        assertThat(title("A1")).isEqualTo("Ash paddle, hand carved in our boat shed");
        assertThat(row("A1").path("title").path("draft").isNull()).isTrue();
        assertThat(row("A1").path("description").path("draft").asString()).startsWith("New: A paddle");

        assertThat(api.post("/api/batches/" + second + "/redo", "").problem())
                .as("it stood upon the first")
                .isNotEmpty();
        assertThat(api.post("/api/batches/" + first + "/redo", "").status()).isEqualTo(200);
        assertThat(api.post("/api/batches/" + second + "/redo", "").status()).isEqualTo(200);
        assertThat(title("A1")).isEqualTo("cedar paddle, hand carved in our boat shed – signed");
        assertThat(api.post("/api/batches/" + third + "/undo", "").status()).isEqualTo(200);
        assertThat(api.get("/api/items/" + row("A1").path("id") + "/history").json())
                .hasSize(3);
    }

    @Test
    void findingsFollowEveryEdit() {
        assertThat(kinds("A2")).contains("title duplicate");
        assertThat(kinds("A3")).contains("title duplicate", "tags missing");
        type("A3", "title", "Oak paddle, second choice, hand carved in our shed");
        assertThat(kinds("A2")).doesNotContain("title duplicate");
        assertThat(kinds("A3")).doesNotContain("title duplicate");
        type("A1", "title", "OAK PADDLE: hand carved in our boat shed");
        assertThat(kinds("A1")).contains("title duplicate");
        assertThat(kinds("A2")).contains("title duplicate");
        assertThat(api.get("/api/properties/" + property + "/causes").json().toString())
                .contains("tags missing");
    }

    @Test
    void aRecipeNeverGivesTwoItemsTheSameText() {
        String recipe =
                "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"TITLE\",\"text\":\"\"}],\"before\":\"\",\"letterCase\":\"TITLE\",\"rank\":1,\"shortenable\":true}]}";
        JsonNode preview = api.post("/api/properties/" + property + "/previews", edit("recipe", "title", recipe))
                .json();
        while (!preview.path("complete").asBoolean())
            preview =
                    api.get("/api/previews/" + preview.path("token").asString()).json();
        assertThat(preview.path("changes").asInt()).isEqualTo(3);
        assertThat(preview.path("toldApart").asInt()).isEqualTo(1);
        assertThat(title("A1")).as("a preview changes nothing").startsWith("Ash paddle");
        batch(edit("recipe", "title", recipe));
        assertThat(title("A2")).isEqualTo("Oak Paddle, Hand Carved in Our Boat Shed");
        assertThat(title("A3")).isEqualTo("Oak Paddle, Hand Carved in Our Boat Shed – 39,00");
    }

    @Test
    void whatIsKeptStaysAndItsFindingsGo() {
        String keep = "{\"selection\":{\"ids\":[" + row("A3").path("id")
                + "]},\"fields\":[\"title\",\"tags\"],\"reason\":%s}";
        assertThat(api.post("/api/properties/" + property + "/keeps", keep.formatted("\" \""))
                        .status())
                .isEqualTo(422);
        api.post("/api/properties/" + property + "/keeps", keep.formatted("\"the maker's own words\""));
        batch(edit("after", "title", "\"with\":\" – signed\""));
        assertThat(title("A3")).isEqualTo("Oak paddle, hand carved in our boat shed");
        assertThat(kinds("A3")).doesNotContain("tags missing", "title duplicate");
        api.post("/api/properties/" + property + "/keeps", keep.formatted("null"));
        assertThat(kinds("A3")).contains("tags missing");
    }

    @Test
    void draftsSurviveTheNextImport() {
        type("A1", "title", "Ash paddle by hand, from the shed by the harbour");
        String next =
                CSV.replace("A2;Oak paddle, hand", "A2;White oak paddle, hand").replaceAll("(?m)^A3.*\n", "");
        api.importListings(property, next);
        assertThat(title("A1")).isEqualTo("Ash paddle by hand, from the shed by the harbour");
        assertThat(title("A2")).startsWith("White oak");
        assertThat(api.get("/api/properties/" + property + "/items")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(2);
        api.importListings(property, CSV);
        assertThat(row("A3").path("title").path("captured").asString())
                .as("gone and back again")
                .startsWith("Oak paddle");
    }

    @Test
    void approvedDraftsAreHandedOverInEveryShape() {
        type("A1", "title", "=Ash \"paddle\" <b>");
        type("A2", "tags", "oak paddle, boat gift");
        batch(edit("after", "description", "\"with\":\" Oiled.\""));
        assertThat(api.post("/api/properties/" + property + "/handovers", "{\"format\":\"csv\"}")
                        .problem())
                .contains("nothing to hand over");
        String some = "{\"selection\":{\"ids\":[" + row("A1").path("id") + ","
                + row("A2").path("id") + "]},\"fields\":[\"title\",\"tags\"],\"state\":\"approved\"}";
        assertThat(api.post("/api/properties/" + property + "/decisions", some)
                        .json()
                        .path("texts")
                        .asInt())
                .isEqualTo(2);

        String listings = handOver("listings");
        assertThat(listings).startsWith("id;title;description;tags;price;note\r\n");
        assertThat(listings)
                .contains("A1;\"'=Ash \"\"paddle\"\" <b>\";A paddle of ash")
                .contains(";45,00;'=1+1\r\n");
        assertThat(listings)
                .contains(";oak paddle, boat gift;49,00;")
                .doesNotContain("A3;")
                .doesNotContain("Oiled");
        assertThat(row("A1").path("title").path("state").asString()).isEqualTo("handed-over");

        api.post("/api/properties/" + property + "/decisions", some);
        assertThat(handOver("json"))
                .contains("\"address\":\"A1\",\"title\":\"=Ash \\\"paddle\\\" <b>\"")
                .contains("[\"oak paddle\",\"boat gift\"]");
        api.post("/api/properties/" + property + "/decisions", some);
        assertThat(handOver("csv")).contains("A1,title,\"Ash paddle, hand carved in our boat shed\",\"'=Ash");
        assertThat(api.get("/api/properties/" + property + "/handovers").json()).hasSize(3);
    }

    @Test
    void whatCannotBeUsedIsRefusedInWords() {
        assertThat(preview("replace", "title", "\"find\":\"(a\",\"regex\":true"))
                .contains("character 3");
        assertThat(preview("replace", "title", "\"find\":\"\"")).contains("a text to find");
        assertThat(preview("add-tags", "title", "\"tags\":[\"a\"]")).contains("does not go with title");
        assertThat(preview("polish", "title", "\"find\":\"x\"")).contains("no tool \"polish\"");
        assertThat(api.post("/api/properties/" + property + "/batches", edit("after", "title", "\"with\":\"\""))
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/properties/" + property + "/batches", edit("replace", "title", "\"find\":\"zebra\""))
                        .problem())
                .contains("Nothing would change");
        assertThat(api.post("/api/properties/" + property + "/cells", "[{").status())
                .isEqualTo(400);
    }

    private String preview(String tool, String field, String rest) {
        return api.post("/api/properties/" + property + "/previews", edit(tool, field, rest))
                .problem();
    }

    private String handOver(String format) {
        Reply handover = api.post("/api/properties/" + property + "/handovers", "{\"format\":\"" + format + "\"}");
        return api.get("/api/handovers/" + handover.json().path("id") + "/file").body();
    }

    private static String edit(String tool, String field, String rest) {
        return "{" + ALL + ",\"spec\":{\"tool\":\"" + tool + "\",\"field\":\"" + field + "\"," + rest + "}}";
    }

    private long batch(String edit) {
        Reply applied = api.post("/api/properties/" + property + "/batches", edit);
        assertThat(applied.status()).as(applied.body()).isEqualTo(200);
        return applied.json().path("batch").path("id").asLong();
    }

    private void type(String id, String field, String text) {
        String cell = "[{\"itemId\":" + row(id).path("id") + ",\"field\":\"" + field + "\",\"text\":\""
                + text.replace("\"", "\\\"") + "\"}]";
        assertThat(api.post("/api/properties/" + property + "/cells", cell).status())
                .isEqualTo(200);
    }

    private JsonNode row(String id) {
        return api.get("/api/properties/" + property + "/items?q=" + id)
                .json()
                .path("rows")
                .get(0);
    }

    private String title(String id) {
        JsonNode title = row(id).path("title");
        return title.path("draft").isNull()
                ? title.path("captured").asString()
                : title.path("draft").asString();
    }

    private java.util.List<String> kinds(String id) {
        java.util.List<String> kinds = new java.util.ArrayList<>();
        for (JsonNode flaw : row(id).path("flaws"))
            kinds.add(flaw.path("field").asString() + " " + flaw.path("kind").asString());
        return kinds;
    }
}
