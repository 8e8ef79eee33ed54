package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Bulk edits kept under a name, and run again on what came since. */
@ExtendWith(RunningApplication.class)
class SavedEditsTest {

    private static final String CSV = "id,title\nA1,Ash paddle\nA2,Oak paddle\n";

    private static final String SPEC = "{\"tool\":\"after\",\"field\":\"title\",\"with\":\" | Tarrin Bay\"}";

    private static JsonNode only(Shop shop) {
        JsonNode edits = shop.get("/edits").json();
        assertThat(edits).hasSize(1);
        return edits.get(0);
    }

    @Test
    void areRunAgainOnWhatIsNew(Api api) {
        Shop shop = new Shop(api, CSV);
        String saved = "{\"name\":\"Our brand\",\"spec\":" + SPEC + "}";
        assertThat(shop.post("/edits", saved).status()).isEqualTo(200);
        assertThat(shop.post("/edits", saved.replace("Tarrin Bay", "Tarrin")).status())
                .as("one of the same name is replaced")
                .isEqualTo(200);
        JsonNode edit = only(shop);
        assertThat(edit.path("spec").path("with").asString()).isEqualTo(" | Tarrin");
        assertThat(edit.path("ran").asBoolean()).isFalse();
        assertThat(edit.path("newItems").asInt()).isEqualTo(2);

        shop.batch(edit("after", "title", "\"with\":\" | Tarrin\""));
        String path = "/edits/" + edit.path("id").asLong();
        assertThat(shop.post(path + "/ran", "").status()).isEqualTo(200);
        assertThat(only(shop).path("newItems").asInt()).isZero();
        shop.importFile(CSV + "A3,Elm paddle\nA4,Fir paddle\n");
        assertThat(only(shop).path("newItems").asInt()).isEqualTo(2);
        JsonNode fresh = shop.get(path + "/new").json();
        assertThat(fresh).hasSize(2);
        assertThat(fresh.get(0).asLong()).isEqualTo(shop.itemId("A3"));
        long[] ids = {fresh.get(0).asLong(), fresh.get(1).asLong()};
        assertThat(shop.preview(edit("after", "title", "\"with\":\" | Tarrin\"", ids))
                        .path("changes")
                        .asInt())
                .isEqualTo(2);
        assertThat(api.method("DELETE", "/api/properties/" + shop.property() + path, "")
                        .status())
                .isEqualTo(200);
        assertThat(shop.get("/edits").json()).isEmpty();
    }

    @Test
    void areRefusedWhereTheyCouldNotBeRun(Api api) {
        Shop shop = new Shop(api, CSV);
        assertThat(shop.post("/edits", "{\"name\":\" \",\"spec\":" + SPEC + "}").status())
                .isEqualTo(422);
        assertThat(shop.post(
                                "/edits",
                                "{\"name\":\"x\",\"spec\":"
                                        + SPEC.replace("title", "tags").replace("after", "add-block") + "}")
                        .problem())
                .isEqualTo("add-block does not go with tags");
        assertThat(shop.post("/edits/999/ran", "").status()).isEqualTo(404);
    }
}
