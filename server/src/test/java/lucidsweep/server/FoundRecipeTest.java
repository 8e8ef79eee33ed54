package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Recipes that are worked out from good titles, with columns that stand for nothing of ours. */
@ExtendWith(RunningApplication.class)
class FoundRecipeTest {

    private static final List<String> THINGS = List.of("Ash paddle", "Cedar oar", "Spray deck", "Dry bag", "Boat hook");
    private static final List<String> COLOURS = List.of("red", "sea green", "honey", "slate");

    private Shop shop;

    @BeforeEach
    void shopWithColours(Api api) {
        StringBuilder csv = new StringBuilder("id,title,description,colour,section\n");
        for (int i = 0; i < 20; i++) {
            String colour = COLOURS.get(i % 4);
            // Fifteen are as they should be; of the others nobody thought.
            String title = i < 15 ? THINGS.get(i % 5) + " in " + colour : "Item " + i;
            csv.append("A%d,%s,Made in the shed,%s,%s\n".formatted(i, title, colour, THINGS.get(i % 5)));
        }
        shop = new Shop(api, csv.toString());
    }

    @Test
    void whatAPersonHadInMindIsFoundAndFillsTheOthers() {
        assertThat(shop.get("/imported-columns").json().valueStream().map(JsonNode::asString))
                .containsExactly("colour");
        long[] good =
                IntStream.range(0, 15).mapToLong(i -> shop.itemId("A" + i)).toArray();

        JsonNode found = shop.post("/recipes/found", "{\"field\":\"title\",\"selection\":" + Shop.selection(good) + "}")
                .json();
        assertThat(found.path("same").asInt()).as(found.toString()).isEqualTo(15);
        assertThat(found.path("of").asInt()).isEqualTo(15);

        long bare = shop.itemId("A17");
        shop.batch(edit("recipe", "title", "\"recipe\":" + found.path("recipe"), bare));
        assertThat(shop.text("A17", "title")).isEqualTo("Spray deck in sea green");
        JsonNode cells = shop.get("/imported-columns/cells?ids=" + bare).json();
        assertThat(cells.toString())
                .isEqualTo("[{\"itemId\":" + bare + ",\"column\":\"colour\",\"text\":\"sea green\"}]");
    }

    @Test
    void whereNothingIsFoundThatIsSaid() {
        assertThat(shop.post("/recipes/found", "{\"field\":\"title\",\"selection\":null}")
                        .problem())
                .contains("no item is clicked more than its positions let expect");
        long[] odd = {shop.itemId("A16"), shop.itemId("A18")};
        assertThat(shop.post("/recipes/found", "{\"field\":\"title\",\"selection\":" + Shop.selection(odd) + "}")
                        .problem())
                .contains("no recipe makes any of these 2 titles as they are");
        assertThat(shop.post("/recipes/found", "{\"field\":\"tags\",\"selection\":{}}")
                        .problem())
                .isEqualTo("recipes are worked out for titles and descriptions, got tags");
    }
}
