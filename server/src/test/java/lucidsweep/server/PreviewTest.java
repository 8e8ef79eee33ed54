package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.standins.ShopListings;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** What a preview says is what is done, whether it was kept or is worked out again. */
@ExtendWith(RunningApplication.class)
class PreviewTest {

    private static final String RECIPE = "\"recipe\":{\"parts\":["
            + "{\"sources\":[{\"kind\":\"TITLE\",\"text\":\"\"}],\"before\":\"\",\"letterCase\":\"SENTENCE\",\"rank\":1,\"shortenable\":true},"
            + "{\"sources\":[{\"kind\":\"KEYWORD\",\"text\":\"\"},{\"kind\":\"SECTION\",\"text\":\"\"}],\"before\":\" – \",\"letterCase\":\"AS_IS\",\"rank\":2,\"shortenable\":false},"
            + "{\"sources\":[{\"kind\":\"BRAND\",\"text\":\"\"}],\"before\":\" | \",\"letterCase\":\"AS_IS\",\"rank\":3,\"shortenable\":false}]}";

    private Api api;
    private Shop shop;

    @BeforeEach
    void demoShop(Api api) {
        this.api = api;
        shop = new Shop(api, new ShopListings(7).csv());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "replace|title|\"find\":\"e\",\"with\":\"E\",\"matchCase\":true",
                "replace|title|\"find\":\"(\\\\w+) (\\\\w+)\",\"with\":\"$2 $1\",\"way\":\"regex\"",
                "before|title|\"with\":\"New: \"",
                "after|description|\"with\":\" Sent from the boat shed.\"",
                "cut|description|\"find\":null",
                "cut|description|\"atSentence\":true",
                "replace|description|\"find\":\"paddle\",\"with\":\"oar\",\"way\":\"whole-word\"",
                "brand|title|\"place\":\"last\",\"with\":\" – \"",
                "year|description|\"with\":\"2027\"",
                "encoding|title|\"find\":null",
                "emoji|description|\"find\":null",
                "spaces|description|\"find\":null",
                "add-block|description|\"with\":\"Sent from the boat shed.\\nWithin two days.\"",
                "open-with-title|description|\"find\":null",
                "shorten-ending|title|\"find\":\" paddle\"",
                "tag-sets|tags|\"tags\":[\"cheap\"],\"share\":20",
                "merge-twins|tags|\"find\":null",
                "case|title|\"letterCase\":\"title\"",
                "add-tags|tags|\"tags\":[\"boat shed\",\"hand made\"]",
                "remove-tags|tags|\"tags\":[\"Kayak Gift\"]",
                "replace-tag|tags|\"find\":\"kayak gift\",\"with\":\"paddler gift\"",
            })
    void theBatchIsWhatThePreviewShowed(String tool, String field, String rest) {
        check(edit(tool, field, rest), field);
    }

    @ParameterizedTest
    @CsvSource({"title", "description"})
    void recipesToo(String field) {
        check(edit("recipe", field, RECIPE), field);
    }

    private void check(String edit, String field) {
        JsonNode preview = shop.preview(edit);
        int changes = preview.path("changes").asInt();
        assertThat(preview.path("of").asInt()).isEqualTo(180);
        assertThat(preview.path("done").asInt()).isEqualTo(180);
        int left = preview.path("unchanged").asInt()
                + preview.path("kept").asInt()
                + preview.path("alike").asInt()
                + preview.path("nothing").asInt()
                + preview.path("runaway").asInt();
        assertThat(changes + left).as("every item is accounted for: " + preview).isEqualTo(180);
        if (changes == 0) {
            assertThat(shop.post("/batches", edit).problem()).contains("Nothing would change");
            return;
        }
        Map<Long, String> before = texts(field);
        JsonNode batch = shop.batch(edit);
        assertThat(batch.path("items").asInt()).isEqualTo(changes);
        Map<Long, String> after = texts(field);
        int shown = 0;
        for (JsonNode row : shop.getPreviewRows(
                preview, before.keySet().stream().mapToLong(Long::longValue).toArray())) {
            long id = row.path("itemId").asLong();
            String said = row.path("after").isNull()
                    ? before.get(id)
                    : row.path("after").asString();
            assertThat(after).containsEntry(id, said);
            if (!said.equals(before.get(id))) shown++;
        }
        assertThat(shown).isEqualTo(changes);
        long differing = before.keySet().stream()
                .filter(id -> !before.get(id).equals(after.get(id)))
                .count();
        assertThat(differing).isEqualTo(changes);
        assertThat(shop.preview(edit).path("changes").asInt()).as("again").isLessThanOrEqualTo(changes);
    }

    /** The desk is narrowed to what came out so; what is applied is the selection all the same. */
    @Test
    void theDeskShowsWhatWouldChangeAndCanBeNarrowedToIt() {
        JsonNode preview = shop.preview(
                edit("after", "title", "\"with\":\" – carved, oiled and signed in our boat shed on the bay\""));
        String token = preview.path("token").asString();
        for (String kind : List.of("changed", "too-long", "shortened", "told-apart", "left")) {
            JsonNode slice = shop.get("/items?count=500&among=" + Api.encoded(token + " " + kind))
                    .json();
            int wanted = switch (kind) {
                case "changed" -> preview.path("changes").asInt();
                case "too-long" ->
                    preview.path("changes").asInt() - preview.path("fitting").asInt();
                default -> 0;
            };
            assertThat(slice.path("total").asInt()).as(kind).isEqualTo(wanted);
            if (wanted == 0) continue;
            long first = slice.path("rows").get(0).path("id").asLong();
            JsonNode made = shop.getPreviewRows(preview, first).get(0);
            assertThat(made.path("after").asString()).endsWith("signed in our boat shed on the bay");
            if (kind.equals("too-long"))
                assertThat(made.path("fit").path("says").asString()).contains("over");
        }
        assertThat(preview.path("fitting").asInt())
                .isLessThan(preview.path("changes").asInt());
        assertThat(shop.get("/items?among=gone").problem()).contains("ask for the preview again");
    }

    @Test
    void aPreviewOfTextsThatChangedSinceIsWorkedOutAgain() {
        String id = firstAddress();
        String edit = edit("after", "title", "\"with\":\" – signed\"", shop.itemId(id));
        shop.preview(edit);
        shop.type(id, "title", "Another title altogether");
        shop.batch(edit);
        assertThat(shop.text(id, "title")).isEqualTo("Another title altogether – signed");
    }

    @Test
    void whatWasKeptInBetweenStaysAsItIs() {
        String id = firstAddress();
        String edit = edit("after", "title", "\"with\":\" – signed\"");
        int changes = shop.preview(edit).path("changes").asInt();
        shop.post("/keeps", keep(shop.itemId(id)));
        assertThat(shop.batch(edit).path("items").asInt()).isEqualTo(changes - 1);
        assertThat(shop.text(id, "title")).doesNotEndWith("signed");
    }

    @Test
    void tagSetsFitWhereTheyAreNoMoreAndNoLongerThanAllowed() {
        JsonNode plain = shop.preview(edit("add-tags", "tags", "\"tags\":[\"boat shed\"]"));
        assertThat(plain.path("changes").asInt()).isEqualTo(180);
        assertThat(plain.path("fitting").asInt()).isBetween(1, 179);
        JsonNode tooLong =
                shop.preview(edit("add-tags", "tags", "\"tags\":[\"a tag far longer than twenty letters\"]"));
        assertThat(tooLong.path("fitting").asInt()).isZero();
    }

    /** Neither among themselves, nor with one that was not chosen, nor with one that stays as it is. */
    @Test
    void recipesNeverMakeTwoTextsAlike() {
        String csv = """
                id,title,section
                A1,ASH paddle,Paddles
                A2,ash  PADDLE,Gifts
                A3,OAK paddle,Gifts
                A4,Oak paddle,Paddles
                A5,ELM paddle,Gifts
                A6,Elm paddle,Paddles
                """;
        String titleOnly = "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"TITLE\",\"text\":\"\"}],"
                + "\"before\":\"\",\"letterCase\":\"SENTENCE\",\"rank\":1,\"shortenable\":false}]}";
        Shop alike = new Shop(api, csv);
        alike.post("/keeps", keep(alike.itemId("A4")));
        long[] chosen = new long[] {
            alike.itemId("A1"), alike.itemId("A2"), alike.itemId("A3"), alike.itemId("A4"), alike.itemId("A5")
        };
        alike.batch(edit("recipe", "title", titleOnly, chosen));
        assertThat(alike.text("A2", "title"))
                .as("from one chosen too")
                .isNotEqualTo(alike.text("A1", "title"))
                .isEqualTo("Ash paddle – Gifts");
        assertThat(alike.text("A3", "title")).as("from one that is kept").isEqualTo("Oak paddle – Gifts");
        assertThat(alike.text("A4", "title")).isEqualTo("Oak paddle");
        assertThat(alike.text("A5", "title")).as("from one that was not chosen").isEqualTo("Elm paddle – Gifts");
    }

    private String firstAddress() {
        return shop.get("/items?count=1")
                .json()
                .path("rows")
                .get(0)
                .path("address")
                .asString();
    }

    private static String keep(long item) {
        return "{\"selection\":" + Shop.selection(item) + ",\"fields\":[\"title\"],\"reason\":\"it sells\"}";
    }

    private Map<Long, String> texts(String field) {
        Map<Long, String> texts = new HashMap<>();
        for (JsonNode row : shop.get("/items?count=500").json().path("rows")) {
            JsonNode cell = row.path(field);
            texts.put(
                    row.path("id").asLong(),
                    cell.path("draft").asString(cell.path("captured").asString()));
        }
        return texts;
    }
}
