package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Recipes that take what an item has, by conditions and by sets, and those that are in force. */
@ExtendWith(RunningApplication.class)
class RecipesTest {

    private static final String CSV = """
            id,title,description,section,price,tags
            R1,oak paddle,Long and light. Carved from one plank by two people in spring.,Paddles,£ 45,"oak paddle, gift"
            R2,ash paddle,Carved by hand.,Paddles,£ 120,ash paddle
            R3,lantern for Gull Cove,Burns all night.,Lanterns,£ 20,lantern
            """;

    private Shop shop;

    @BeforeEach
    void threeListings(Api api) {
        shop = new Shop(api, CSV);
    }

    private static String part(String sources, String more) {
        return "{\"sources\":[" + sources
                + "],\"before\":\" – \",\"letterCase\":\"AS_IS\",\"rank\":1,\"shortenable\":false" + more + "}";
    }

    private static String source(String kind, String text) {
        return "{\"kind\":\"" + kind + "\",\"text\":\"" + text + "\"}";
    }

    private static String recipe(String... parts) {
        return "\"recipe\":{\"parts\":[" + String.join(",", parts) + "]}";
    }

    private void save(String name, String recipe, boolean inForce, Long set) {
        assertThat(shop.post(
                                "/recipes",
                                "{\"id\":0,\"field\":\"title\",\"name\":\"" + name + "\"," + recipe + ",\"inForce\":"
                                        + inForce + ",\"setId\":" + set + "}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void takeWhatTheItemHasWhereAConditionHolds() {
        String cheap = ",\"encloses\":\"()\",\"onlyIf\":[{\"what\":\"PRICE_UNDER\",\"value\":\"100\",\"not\":false}]";
        String dear = ",\"onlyIf\":[{\"what\":\"PRICE_UNDER\",\"value\":\"100\",\"not\":true}]";
        String recipe = recipe(
                part(source("TITLE", ""), ""),
                part(source("PRICE", ""), cheap),
                part(source("FIXED", "made to order"), dear),
                part(source("SECTION", ""), ",\"onlyIf\":[{\"what\":\"HAS_PLACE\",\"value\":\"\",\"not\":false}]"));
        JsonNode preview = shop.preview(edit("recipe", "title", recipe));
        assertThat(preview.path("changes").asInt()).isEqualTo(3);
        shop.batch(edit("recipe", "title", recipe));
        assertThat(shop.text("R1", "title")).isEqualTo("oak paddle – (£ 45)");
        assertThat(shop.text("R2", "title")).isEqualTo("ash paddle – made to order");
        assertThat(shop.text("R3", "title")).isEqualTo("lantern for Gull Cove – (£ 20)");

        shop.batch(edit("recipe", "description", recipe(part(source("TAG", "") + "," + source("TITLE", ""), ""))));
        assertThat(shop.text("R1", "description")).isEqualTo("oak paddle");
    }

    /** Keywords, their intent, and the sets that an item belongs to. */
    @Test
    void lookAtKeywordsIntentLanguageAndSets() {
        assertThat(shop.post("/keywords", "{\"text\":\"oak paddle\\t900\\nash paddle\\t300\\n\"}")
                        .json()
                        .path("aimed")
                        .asInt())
                .isEqualTo(2);
        shop.post("/sets", "{\"name\":\"Dear\",\"conditions\":{\"price\":{\"min\":100}}}");
        String commercial = ",\"onlyIf\":[{\"what\":\"INTENT\",\"value\":\"commercial\",\"not\":false}]";
        String english = ",\"onlyIf\":[{\"what\":\"LANGUAGE\",\"value\":\"en\",\"not\":false}]";
        String dear = ",\"onlyIf\":[{\"what\":\"IN_SET\",\"value\":\"Dear\",\"not\":false}]";
        String nowhere = ",\"onlyIf\":[{\"what\":\"IN_SET\",\"value\":\"No such set\",\"not\":false}]";
        String recipe = recipe(
                part(source("SECONDARY", "1") + "," + source("TITLE", ""), ""),
                part(source("FIXED", "in stock"), commercial),
                part(source("FIXED", "from the boat shed"), english),
                part(source("FIXED", "one of a kind"), dear),
                part(source("FIXED", "nowhere"), nowhere));
        shop.batch(edit("recipe", "title", recipe));
        assertThat(shop.text("R1", "title")).isEqualTo("oak paddle – in stock – from the boat shed");
        assertThat(shop.text("R2", "title")).isEqualTo("ash paddle – in stock – from the boat shed – one of a kind");
        assertThat(shop.text("R3", "title")).isEqualTo("lantern for Gull Cove – from the boat shed");
    }

    @Test
    void thoseInForceAreAppliedInOneRunTheSetsFirst() {
        assertThat(shop.post("/previews", edit("recipes", "title", "")).problem())
                .contains("no recipe for these texts is in force yet");
        long paddles = shop.post("/sets", "{\"name\":\"Paddles\",\"conditions\":{\"sections\":[\"Paddles\"]}}")
                .json()
                .path("id")
                .asLong();
        save("Brand", recipe(part(source("FIXED", "Tarrin Bay"), "")), false, null);
        save("All", recipe(part(source("TITLE", ""), ""), part(source("RECIPE", "Brand"), "")), true, null);
        save("For paddles", recipe(part(source("FIXED", "Carved"), ""), part(source("TITLE", ""), "")), true, paddles);
        shop.batch(edit("recipes", "title", ""));
        assertThat(shop.text("R1", "title")).isEqualTo("Carved – oak paddle");
        assertThat(shop.text("R2", "title")).isEqualTo("Carved – ash paddle");
        assertThat(shop.text("R3", "title")).isEqualTo("lantern for Gull Cove – Tarrin Bay");

        save("For paddles again", recipe(part(source("SECTION", ""), "")), true, paddles);
        JsonNode kept = shop.get("/recipes").json();
        assertThat(kept).hasSize(4);
        for (JsonNode each : kept) {
            boolean inForce = each.path("name").asString().equals("All")
                    || each.path("name").asString().equals("For paddles again");
            assertThat(each.path("inForce").asBoolean())
                    .as(each.path("name").asString())
                    .isEqualTo(inForce);
        }
    }

    /** It takes itself no deeper than a few times, and then nothing. */
    @Test
    void oneThatTakesItselfEnds() {
        save("Round", recipe(part(source("FIXED", "oar"), ""), part(source("RECIPE", "Round"), "")), true, null);
        shop.batch(edit("recipes", "title", "", shop.itemId("R1")));
        assertThat(shop.text("R1", "title")).isEqualTo("oar");
    }

    @Test
    void whatIsLeftOutIsSaidWithTheReason() {
        String narrow =
                "a very long line of wooden paddles and oars that never ends, carved from single planks of oak, ash, "
                        + "cherry, walnut and larch by hand in our boat shed on the bay";
        String recipe = recipe(
                part(source("TITLE", ""), ""),
                part(source("TITLE", ""), "").replace("\"rank\":1", "\"rank\":2"),
                part(source("FIXED", narrow), "").replace("\"rank\":1", "\"rank\":3"));
        JsonNode preview = shop.preview(edit("recipe", "title", recipe));
        JsonNode row = shop.getPreviewRows(preview, shop.itemId("R1")).get(0);
        assertThat(row.path("result").asString()).isEqualTo("shortened");
        assertThat(row.path("leftOut")).hasSize(2);
        assertThat(row.path("leftOut").get(0).path("why").asString()).isEqualTo("SAID_ALREADY");
        assertThat(row.path("leftOut").get(1).path("text").asString()).isEqualTo(narrow);
    }
}
