package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Topics are named, merged and divided by hand, and the words that go with them are found. */
@ExtendWith(RunningApplication.class)
class TopicTest {

    private static final String CSV = """
            id,title,description
            A1,Ash paddle,A paddle of straight grained ash for the open sea; oiled by hand
            A2,Cedar paddle,A paddle of light cedar for the open sea; oiled by hand
            A3,Spray deck,Keeps the water out in any weather
            A4,Gift voucher,For somebody who has it all
            A5,Long paddle,Made to measure
            """;

    private Shop shop;

    @BeforeEach
    void aShopWithKeywords(Api api) {
        shop = new Shop(api, CSV);
        add(
                "keyword,volume\\nash paddle,400\\nash paddle for sale,90\\ncedar paddle,300\\nspray deck,700\\nlong paddle,20");
    }

    private void add(String text) {
        shop.post("/keywords", "{\"text\":\"" + text + "\"}");
    }

    private List<String> topics(String query) {
        return shop.get("/topics?" + query).json().path("rows").findValuesAsString("topic");
    }

    private JsonNode keyword(String phrase) {
        for (JsonNode row : shop.get("/keywords").json().path("rows"))
            if (row.path("phrase").asString().equals(phrase)) return row;
        throw new AssertionError("there is no keyword " + phrase);
    }

    private void merge(String name, String... phrases) {
        List<Long> ids = Stream.of(phrases)
                .map(phrase -> keyword(phrase).path("id").asLong())
                .toList();
        assertThat(shop.post("/topics/merge", "{\"ids\":" + ids + ",\"name\":\"" + name + "\"}")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void topicsAreMergedNamedAndDivided() {
        assertThat(topics("")).containsExactly("spray deck", "ash paddle", "cedar paddle", "long paddle");
        assertThat(topics("q=SALE")).containsExactly("ash paddle");
        JsonNode ash = shop.get("/topics?q=ash").json().path("rows").get(0);
        assertThat(ash.path("keywords").asInt()).isEqualTo(2);
        assertThat(ash.path("volume").asInt()).isEqualTo(490);
        merge("paddles", "ash paddle for sale", "cedar paddle");
        assertThat(topics("sort=keywords")).startsWith("paddles").hasSize(3);
        add("ash paddle near me for sale\\nash paddles for sale cheap");
        assertThat(keyword("ash paddles for sale cheap").path("topic").asString())
                .as("what joins a merged topic goes on under its name")
                .isEqualTo("paddles");
        String out = "[" + keyword("cedar paddle").path("id") + "]";
        shop.post("/topics/split", "{\"topic\":\"paddles\",\"ids\":" + out + ",\"name\":\"light paddles\"}");
        assertThat(keyword("cedar paddle").path("topic").asString()).isEqualTo("light paddles");
        assertThat(keyword("ash paddle").path("topic").asString()).isEqualTo("paddles");
        assertThat(shop.post("/topics/split", "{\"topic\":\"paddles\",\"ids\":[999999],\"name\":\"x\"}")
                        .problem())
                .contains("none of these keywords");
        assertThat(shop.post("/topics/merge", "{\"ids\":" + out + ",\"name\":\" \"}")
                        .problem())
                .contains("expected a name");
        assertThat(shop.post("/topics/merge", "{\"ids\":[999999],\"name\":\"x\"}")
                        .problem())
                .contains("none of these keywords");
        assertThat(shop.get("/topics/words?topic=boats").problem()).contains("there is no topic “boats”");
        assertThat(shop.get("/topics?sort=colour").problem()).contains("cannot be sorted by");
    }

    @Test
    void theWordsThatGoWithATopicAreFoundAndWhatAnItemLacks() {
        merge("paddles", "ash paddle", "cedar paddle", "long paddle");
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        for (String query : List.of("carved paddle", "carved ash", "hand carved oar"))
            demand.append("A1,%s,2026-11-16,2026-11-22,1,40,8\n".formatted(query));
        demand.append("A3,deck for rain,2026-11-16,2026-11-22,1,40,8\n");
        shop.importDemand(demand.toString());
        JsonNode words = shop.get("/topics/words?topic=paddles").json();
        assertThat(words.path("pages").asInt()).isEqualTo(3);
        assertThat(words.path("ofPages").findValuesAsString("text")).contains("open sea", "oiled");
        assertThat(words.path("queries").asInt()).isEqualTo(3);
        assertThat(words.path("ofQueries").findValuesAsString("text")).containsExactly("carved");
        shop.importResults("""
                query,position,address,title,description
                long paddle,1,https://other.example/a,Long paddle with a carbon blade,Carbon for racing
                long paddle,2,https://more.example/b,Carbon paddles,For racing
                spray deck,1,https://more.example/c,Decks,For rain
                """);
        JsonNode lacking = shop.getItem("A5", "/lacking");
        assertThat(lacking.path("ofPages").findValuesAsString("text"))
                .contains("open sea")
                .doesNotContain("paddle");
        assertThat(lacking.path("rivals").asInt()).isEqualTo(2);
        assertThat(lacking.path("ofRivals").findValuesAsString("text"))
                .contains("carbon")
                .doesNotContain("Long");
        JsonNode without = shop.getItem("A4", "/lacking");
        assertThat(without.path("pages").asInt() + without.path("rivals").asInt())
                .isZero();
    }
}
