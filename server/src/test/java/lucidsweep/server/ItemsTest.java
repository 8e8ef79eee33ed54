package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.ShopListings;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Tables of items: every sort, every filter, page by page. */
@ExtendWith(RunningApplication.class)
class ItemsTest {

    private static final Map<String, Function<JsonNode, Comparable<?>>> SORTS = Map.of(
            "address", row -> row.path("address").asString(),
            "section", row -> row.path("section").asString(),
            "title-px",
                    row -> Math.round(row.path("title").path("fit").path("px").asDouble()),
            "description-px",
                    row -> Math.round(
                            row.path("description").path("fit").path("px").asDouble()),
            "links-in", row -> row.path("linksIn").asInt(),
            "findings", row -> row.path("findings").size());

    private Shop shop;
    private Api api;

    @BeforeEach
    void demoShop(Api api) {
        this.api = api;
        shop = new Shop(api, new ShopListings(7).csv());
    }

    @Test
    void everySortIsAnOrderOfAllItemsAndPagesAreStretchesOfIt() {
        SORTS.forEach((sort, key) -> {
            for (boolean descending : new boolean[] {false, true}) {
                String view = "sort=" + (descending ? "-" : "") + sort;
                List<JsonNode> rows = rows(view);
                assertThat(rows).hasSize(180);
                @SuppressWarnings("unchecked")
                Comparator<Object> order = (Comparator<Object>) (Comparator<?>) Comparator.naturalOrder();
                assertThat(rows.stream().map(row -> (Object) key.apply(row)).toList())
                        .as(view)
                        .isSortedAccordingTo(descending ? order.reversed() : order);
                assertThat(rows.stream().map(row -> row.path("id").asLong()).toList())
                        .as("no item twice, none left out by a page break")
                        .containsExactlyElementsOf(ids(view))
                        .doesNotHaveDuplicates();
            }
        });
    }

    @Test
    void aTableKeepsItsOrderWhileItIsEdited() {
        JsonNode first = shop.get("/items?sort=title&count=5").json();
        long asOf = first.path("asOf").asLong();
        String address = first.path("rows").get(0).path("address").asString();
        shop.type(address, "title", "zzz comes last");
        JsonNode then = shop.get("/items?sort=title&count=5&asOf=" + asOf)
                .json()
                .path("rows")
                .get(0);
        assertThat(then.path("address").asString()).as("it keeps its place").isEqualTo(address);
        assertThat(then.path("title").path("draft").asString())
                .as("and shows what is so")
                .isEqualTo("zzz comes last");
        List<JsonNode> anew = rows("sort=title");
        assertThat(anew.get(anew.size() - 1).path("address").asString()).isEqualTo(address);
    }

    @Test
    void filtersNarrowAndTheirOppositesFillUp() {
        List<String> sections = new ArrayList<>();
        int inSections = 0;
        for (JsonNode section : shop.get("/sections").json()) {
            String name = section.path("section").asString();
            sections.add(name);
            inSections += section.path("items").asInt();
            assertThat(shop.total("section=" + Api.encoded(name)))
                    .isEqualTo(section.path("items").asInt());
        }
        assertThat(inSections).isEqualTo(180);
        assertThat(sections).hasSizeGreaterThan(2).doesNotHaveDuplicates();

        String some = rows("").get(3).path("address").asString();
        shop.type(some, "title", "A draft that holds the word quixotic");
        assertThat(shop.total("q=QUIXOTIC")).isEqualTo(1);
        assertThat(shop.total("q=" + Api.encoded(some))).isEqualTo(1);
        assertThat(shop.total("state=any&field=title")).isEqualTo(1);
        assertThat(shop.total("state=drafted")).isEqualTo(1);
        assertThat(shop.total("state=approved")).isZero();
        assertThat(shop.total("target=with") + shop.total("target=without")).isEqualTo(180);
        assertThat(shop.total("indexable=yes") + shop.total("indexable=no")).isEqualTo(180);
        assertThat(shop.total("q=" + Api.encoded("%")))
                .as("a plain sign, no wildcard")
                .isLessThan(180);
        assertThat(shop.get("/items?field=title&check=rubbish")
                        .json()
                        .path("total")
                        .asInt())
                .isZero();
    }

    @Test
    void aSelectionIsAFilterWithoutItsExceptions() {
        List<Long> oars = ids("q=paddle");
        assertThat(oars).hasSizeGreaterThan(5);
        String selection = "{\"filter\":{\"q\":\"paddle\"},\"except\":[" + oars.get(0) + "," + oars.get(1) + ",1]}";
        Reply applied = shop.post(
                "/batches",
                "{\"selection\":" + selection
                        + ",\"spec\":{\"tool\":\"after\",\"field\":\"title\",\"with\":\" (new)\"}}");
        assertThat(applied.json().path("batch").path("items").asInt()).isEqualTo(oars.size() - 2);
        assertThat(ids("state=drafted")).containsExactlyInAnyOrderElementsOf(oars.subList(2, oars.size()));
    }

    @Test
    void theTableIsTakenAwayAsItStands() {
        shop.type(rows("").get(0).path("address").asString(), "title", "=SUM(A1) \"quoted\", with comma");
        Reply csv = shop.get("/items.csv?sort=-title-px&q=e");
        List<String> lines = csv.body().lines().toList();
        assertThat(lines).hasSize(shop.total("q=e") + 1);
        assertThat(lines.get(0)).startsWith("address,status,indexable,title,title_px");
        assertThat(csv.body()).contains("\"'=SUM(A1) \"\"quoted\"\", with comma\"");
        String first = shop.get("/items?sort=-title-px&q=e&count=1")
                .json()
                .path("rows")
                .get(0)
                .path("address")
                .asString();
        assertThat(lines.get(1)).startsWith(first + ",");
    }

    @Test
    void oneItemIsFoundByItsId() {
        JsonNode row = rows("").get(7);
        assertThat(api.get("/api/items/" + row.path("id")).json()).isEqualTo(row);
        assertThat(api.get("/api/items/1").status()).isEqualTo(404);
        assertThat(api.get("/api/items/1/history").json()).isEmpty();
    }

    private List<JsonNode> rows(String view) {
        List<JsonNode> rows = new ArrayList<>();
        JsonNode page;
        do {
            page = shop.get("/items?" + view + "&count=70&from=" + rows.size())
                    .json()
                    .path("rows");
            page.forEach(rows::add);
        } while (!page.isEmpty());
        return rows;
    }

    private List<Long> ids(String view) {
        List<Long> ids = new ArrayList<>();
        for (JsonNode id : shop.get("/items/ids?count=1000&" + view).json()) ids.add(id.asLong());
        return ids;
    }
}
