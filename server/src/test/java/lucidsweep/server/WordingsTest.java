package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.standins.ShopListings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Wordings side by side: what each reaches, what would be found of it, and the rivals beside it. */
@ExtendWith(RunningApplication.class)
class WordingsTest {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private static final String CSV = """
            id,title,description,section
            W1,Oak paddle,Carved by hand for people who paddle far.,Paddles
            W2,Ash paddle for long days on open water,Carved by hand from one plank of ash.,Paddles
            """;

    /** What is said of a text while it is typed is what is found of it once it is stored. */
    @Test
    void saysBeforehandWhatIsFoundAfterwards(Api api) {
        Shop shop = new Shop(api, new ShopListings(7).csv());
        List<JsonNode> rows = new ArrayList<>();
        shop.get("/items?count=500").json().path("rows").forEach(rows::add);
        Random random = new Random(19);
        int found = 0;
        for (int i = 0; i < 30; i++) {
            JsonNode row = rows.get(random.nextInt(rows.size()));
            String field = random.nextBoolean() ? "title" : "description";
            String other = rows.get(random.nextInt(rows.size()))
                    .path(field)
                    .path("captured")
                    .asString();
            String text = switch (random.nextInt(4)) {
                case 0 -> row.path(field).path("captured").asString();
                case 1 -> other;
                case 2 -> other + " and more of it, {{title}}";
                default -> "HOME";
            };
            String body = JSON.writeValueAsString(Map.of("field", field, "texts", List.of(text)));
            Set<String> said = new TreeSet<>();
            api.post("/api/items/" + row.path("id").asLong() + "/wordings", body)
                    .json()
                    .path("wordings")
                    .get(0)
                    .path("found")
                    .forEach(each -> said.add(each.path("label").asString() + ": "
                            + each.path("evidence").asString()));
            String address = row.path("address").asString();
            if (!text.equals(shop.text(address, field))) shop.type(address, field, text);
            Set<String> stored = new TreeSet<>();
            Map<String, String> labels = labels(shop);
            shop.row(address).path("findings").forEach(each -> {
                if (each.path("field").asString().equals(field))
                    stored.add(labels.get(each.path("field").asString() + " "
                                    + each.path("check").asString()) + ": "
                            + each.path("evidence").asString());
            });
            assertThat(without(said))
                    .as(field + " of " + row.path("address") + ": " + text)
                    .isEqualTo(without(stored));
            found += stored.size();
        }
        assertThat(found).isGreaterThan(20);
    }

    /** Which of several others a text is the same as or most like, and in which group, is told in the order in which they came. */
    private static Set<String> without(Set<String> findings) {
        Set<String> left = new TreeSet<>();
        for (String finding : findings) left.add(finding.replaceAll("(same as|like) .*", "$1"));
        return left;
    }

    private static Map<String, String> labels(Shop shop) {
        Map<String, String> labels = new HashMap<>();
        shop.get("/standard")
                .json()
                .path("checks")
                .forEach(check -> labels.put(
                        check.path("id").asString(),
                        check.path("field").asString() + " "
                                + check.path("label").asString()));
        return labels;
    }

    @Test
    void saysWhatEachWouldBe(Api api) {
        Shop shop = new Shop(api, CSV);
        shop.post("/keywords", "{\"text\":\"oak paddle\\t900\\noak paddle gift\\t500\\nash paddle\\t300\\n\"}");
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
        assertThat(asked.path("offers").findValuesAsString("text")).contains("Oak paddle gift");
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

    /** A word with a hyphen is two for a searcher, and each of them is told. */
    @Test
    void theWordsOfAKeywordAreToldOneByOne(Api api) {
        Shop shop = new Shop(api, CSV);
        JsonNode looks = shop.post(
                        "/looks",
                        "{\"title\":\"Watching tours\",\"description\":\"\",\"keyword\":\"seal-watching tour\"}")
                .json();
        JsonNode words = looks.path("title").path("keyword");
        assertThat(words.findValuesAsString("text")).containsExactly("seal", "watching", "tour");
        assertThat(words.get(0).path("present").asBoolean()).isFalse();
        assertThat(words.get(1).path("present").asBoolean()).isTrue();
        assertThat(words.get(2).path("present").asBoolean()).isTrue();
        assertThat(looks.path("title").path("lacks").get(0).asString()).isEqualTo("seal");
        for (JsonNode word : looks.path("description").path("keyword"))
            assertThat(word.path("present").asBoolean()).isFalse();
    }
}
