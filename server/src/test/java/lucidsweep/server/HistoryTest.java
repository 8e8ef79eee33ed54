package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What each batch changed, and what differs between two moments. */
@ExtendWith(RunningApplication.class)
class HistoryTest {

    private static final String CSV =
            "id,title,description\nA1,Ash paddle,Of ash\nA2,Oak paddle,Of oak\nA3,Elm paddle,Of elm\n";

    private static TreeSet<String> lines(JsonNode view) {
        TreeSet<String> lines = new TreeSet<>();
        for (JsonNode text : view.path("texts"))
            lines.add(text.path("address").asString() + " " + text.path("field").asString() + ": "
                    + text.path("before").asString() + " > "
                    + text.path("after").asString());
        return lines;
    }

    @Test
    void eachBatchSaysWhatItChanged(Api api) {
        Shop shop = new Shop(api, CSV);
        shop.type("A1", "title", "Ash oar");
        JsonNode batch = shop.batch(edit("replace", "title", "\"find\":\"paddle\",\"with\":\"blade\""));
        JsonNode view = api.get("/api/batches/" + batch.path("id").asLong() + "/changes")
                .json();
        assertThat(view.path("total").asInt()).isEqualTo(2);
        assertThat(lines(view)).containsExactly("A2 title: Oak paddle > Oak blade", "A3 title: Elm paddle > Elm blade");
        assertThat(api.get("/api/batches/" + batch.path("id").asLong() + "/changes.csv")
                        .body())
                .startsWith("address,field,before,after\r\n")
                .contains("A2,title,Oak paddle,Oak blade");
        api.post("/api/batches/" + batch.path("id").asLong() + "/undo", "");
        assertThat(api.get("/api/batches/" + batch.path("id").asLong() + "/changes")
                        .json()
                        .path("total")
                        .asInt())
                .as("what was undone can still be looked at")
                .isEqualTo(2);
    }

    /** Held against texts that were written down at each moment. */
    @Test
    void anyTwoMomentsAreCompared(Api api) {
        Shop shop = new Shop(api, CSV);
        Random random = new Random(3);
        List<Map<String, String>> texts = new ArrayList<>(List.of(texts(shop)));
        List<Long> batches = new ArrayList<>(List.of(0L));
        for (int i = 0; i < 8; i++) {
            JsonNode batch;
            String field = random.nextBoolean() ? "title" : "description";
            if (random.nextInt(3) > 0) {
                batch = shop.batch(edit("after", field, "\"with\":\" " + "abcdefgh".charAt(i) + "\""));
            } else {
                String id = "A" + (1 + random.nextInt(3));
                String cell = "[{\"itemId\":" + shop.itemId(id) + ",\"field\":\"" + field + "\",\"text\":\"Text " + i
                        + "\"}]";
                batch = shop.post("/cells", cell).json();
            }
            batches.add(batch.path("id").asLong());
            texts.add(texts(shop));
        }
        for (int from = 0; from < batches.size(); from++) {
            for (int to = from + 1; to < batches.size(); to++) {
                TreeSet<String> expected = new TreeSet<>();
                Map<String, String> before = texts.get(from);
                texts.get(to).forEach((cell, after) -> {
                    if (!after.equals(before.get(cell))) expected.add(cell + ": " + before.get(cell) + " > " + after);
                });
                JsonNode view = shop.get("/changes?from=" + batches.get(from) + "&to=" + batches.get(to))
                        .json();
                assertThat(lines(view)).as(from + " to " + to).isEqualTo(expected);
            }
        }
        long last = batches.get(8);
        api.post("/api/batches/" + last + "/undo", "");
        assertThat(shop.get("/changes?from=" + batches.get(7) + "&to=" + last)
                        .json()
                        .path("total")
                        .asInt())
                .as("what was undone does not stand")
                .isZero();
        assertThat(shop.get("/changes?from=" + last + "&to=" + batches.get(7)).problem())
                .startsWith("expected an earlier batch");
    }

    private static Map<String, String> texts(Shop shop) {
        Map<String, String> texts = new HashMap<>();
        for (String id : List.of("A1", "A2", "A3"))
            for (String field : List.of("title", "description")) texts.put(id + " " + field, shop.text(id, field));
        return texts;
    }
}
