package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Wordings side by side: what each reaches, what would be found of it, and the rivals beside it. */
@ExtendWith(RunningApplication.class)
class WordingsTest {

    private static final String CSV = """
            id,title,description,section
            W1,Oak paddle,Carved by hand for people who paddle far.,Paddles
            W2,Ash paddle for long days on open water,Carved by hand from one plank of ash.,Paddles
            """;

    @Test
    void saysWhatEachWouldBe(Api api) {
        Shop shop = new Shop(api, CSV);
        shop.post("/keywords", "{\"text\":\"oak paddle\\t900\\noak canoe paddle\\t500\\nash paddle\\t300\\n\"}");
        shop.importResults("""
                query,position,address,title,description
                oak paddle,1,https://other.example/a,Oak paddle 2026 – carved by hand,Long
                oak paddle,2,https://more.example/b,Hand-carved oak paddles 2026 | Osprey,Short
                oak paddle,3,https://third.example/c,Oak paddle prices 2026 | Heron,None
                """);
        assertThat(shop.row("W1").path("aim").path("keyword").asString()).isEqualTo("oak paddle");

        String twin = "Ash paddle for long days on open water";
        JsonNode asked = api.post(
                        "/api/items/" + shop.itemId("W1") + "/wordings",
                        "{\"field\":\"title\",\"texts\":[\"Oak paddle\",\"" + twin + "\",\"Carved oak paddle 2026\"]}")
                .json();
        JsonNode first = asked.path("wordings").get(0);
        assertThat(first.path("keywordAt").asInt()).isZero();
        assertThat(first.path("reach").path("searches").asDouble()).isEqualTo(900);
        JsonNode second = asked.path("wordings").get(1);
        assertThat(second.path("keywordAt").isNull()).isTrue();
        assertThat(second.path("lacks").get(0).asString()).isEqualTo("oak");
        assertThat(second.path("found").findValuesAsString("label"))
                .contains("title duplicate", "title words of the keyword missing");
        assertThat(second.path("found").findValuesAsString("evidence")).anyMatch(evidence -> evidence.contains("W2"));
        JsonNode third = asked.path("wordings").get(2);
        assertThat(third.path("likeRival").asDouble())
                .isGreaterThan(first.path("likeRival").asDouble());
        assertThat(asked.path("offers").findValuesAsString("text")).contains("Oak canoe paddle");
        assertThat(asked.path("rivals")).hasSize(3);
        assertThat(asked.path("compared").path("features").findValuesAsString("what"))
                .contains("a year");

        assertThat(shop.text("W1", "title")).as("nothing was stored").isEqualTo("Oak paddle");
        assertThat(shop.row("W1").path("findings").findValuesAsString("check")).doesNotContain("duplicate");
        assertThat(api.post("/api/items/" + shop.itemId("W1") + "/wordings", "{\"field\":\"slug\",\"texts\":[\"a\"]}")
                        .problem())
                .contains("expected a title or a description");
        assertThat(api.post("/api/items/999/wordings", "{\"field\":\"title\",\"texts\":[\"a\"]}")
                        .status())
                .isEqualTo(404);
    }
}
