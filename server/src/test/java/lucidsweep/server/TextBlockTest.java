package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Blocks that all descriptions of a shop share: put there, changed everywhere at once, and taken off again. */
@ExtendWith(RunningApplication.class)
class TextBlockTest {

    private static final String BLOCKS = "\"find\":null";

    private Api api;
    private Shop shop;

    @BeforeEach
    void smallShop(Api api) {
        this.api = api;
        shop = new Shop(
                api,
                "id,title,description,price\nA1,Ash paddle,Carved by hand.,£40\nA2,Cedar oar,,\nA3,Spray deck,Keeps you dry.,£25\n");
        save(0, "Prices", "From {price}.\nSent within two days.", 0);
        save(0, "About", "We build boats on the slip.", 1);
    }

    private Reply save(long id, String name, String text, Integer place) {
        return shop.post(
                "/blocks",
                "{\"id\":" + id + ",\"name\":\"" + name + "\",\"kind\":\"ABOUT\",\"language\":\"\",\"text\":\""
                        + text.replace("\n", "\\n") + "\",\"place\":" + place + "}");
    }

    private JsonNode block(int at) {
        return shop.get("/blocks").json().path("blocks").get(at);
    }

    private String description(String id) {
        return shop.text(id, "description");
    }

    @Test
    void changingABlockChangesTheTextsThatCarryIt() {
        shop.batch(edit("blocks", "description", BLOCKS));
        assertThat(description("A1"))
                .isEqualTo("Carved by hand.\n\nFrom £40.\nSent within two days.\n\nWe build boats on the slip.");
        assertThat(description("A2"))
                .as("without a price and without a text of its own")
                .isEqualTo("Sent within two days.\n\nWe build boats on the slip.");

        long prices = block(0).path("id").asLong();
        long about = block(1).path("id").asLong();
        save(prices, "Prices", "From {price}, sent within a day.", 7);
        assertThat(block(0).path("place").asInt())
                .as("a form that is saved late moves nothing")
                .isZero();
        shop.put("/blocks/order", "{\"ids\":[" + about + "," + prices + "]}");
        JsonNode preview = shop.preview(edit("blocks", "description", BLOCKS));
        assertThat(preview.path("changes").asInt()).isEqualTo(3);
        shop.batch(edit("blocks", "description", BLOCKS));
        assertThat(description("A1"))
                .isEqualTo("Carved by hand.\n\nWe build boats on the slip.\n\nFrom £40, sent within a day.");
        assertThat(description("A2")).isEqualTo("We build boats on the slip.");
        assertThat(shop.preview(edit("blocks", "description", BLOCKS))
                        .path("changes")
                        .asInt())
                .as("once is enough")
                .isZero();

        api.method("DELETE", "/api/properties/" + shop.property() + "/blocks/" + about, "");
        shop.batch(edit("blocks", "description", BLOCKS));
        assertThat(description("A3")).isEqualTo("Keeps you dry.\n\nFrom £25, sent within a day.");
        shop.batch(edit("blocks-off", "description", BLOCKS));
        assertThat(description("A3")).isEqualTo("Keeps you dry.");
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThat(save(0, "prices", "x", null).problem()).isEqualTo("another block is named “prices” already");
        assertThat(save(0, "Shop", "Buy at {shop}", null).problem()).startsWith("text: expected one of {client}");
        assertThat(save(99, "Shop", "x", null).problem()).startsWith("there is no block 99");
        long first = block(0).path("id").asLong();
        assertThat(shop.put("/blocks/order", "{\"ids\":[" + first + ",99]}").problem())
                .startsWith("there is no block 99");
        assertThat(block(1).path("place").asInt()).as("nothing was moved").isEqualTo(1);
        assertThat(shop.post("/previews", edit("blocks", "title", BLOCKS)).problem())
                .isEqualTo("only descriptions have blocks");
        Shop pages = new Shop(api, api.property("website", "http://127.0.0.1:1/", true));
        assertThat(pages.post("/previews", edit("blocks", "description", BLOCKS))
                        .problem())
                .startsWith("descriptions of pages are one line");
    }

    @Test
    void theChannelItselfGetsThemUnderItsLimit() {
        String text =
                "{\"description\":\"Boats of the bay.\",\"keywords\":\"kayak, bay\",\"maxChars\":40,\"maxKeywordChars\":500}";
        JsonNode channel = shop.put("/blocks/channel", text).json();
        assertThat(channel.path("whole").asString()).isEqualTo("Boats of the bay.\n\nSent within two days.");
        assertThat(channel.path("chars").asInt()).isEqualTo(40);
        assertThat(channel.path("keywordChars").asInt()).isEqualTo(10);
        assertThat(shop.get("/blocks/channel").json()).isEqualTo(channel);
    }

    @Test
    void linksAreAskedWhetherAnythingAnswers(Api api) {
        try (Site site = new Site().page("/film", "A film")) {
            Shop open = new Shop(api, api.property("listings", site.address(), true));
            open.post(
                    "/blocks",
                    "{\"id\":0,\"name\":\"Links\",\"kind\":\"LINKS\",\"language\":\"\",\"text\":\"Film: "
                            + site.address() + "film, and " + site.address() + "gone.\",\"place\":0}");
            JsonNode links = open.post("/blocks/links", "").json();
            assertThat(links.findValuesAsString("says")).containsExactly("answers 200", "answers 404");
            assertThat(links.findValuesAsString("works")).containsExactly("true", "false");
        }
    }
}
