package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Predicate;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** However the table is sorted and narrowed, it is the same keywords. */
@ExtendWith(RunningApplication.class)
class KeywordTableTest {

    private static final String[] ACTS = {"hire", "best", "how to mend", "guide", "old"};
    private static final String[] THINGS = {"kayak", "canoe", "paddle", "oar"};
    private static final String[] PLACES = {"", " gull cove", " fennick"};

    private Shop shop;

    @BeforeEach
    void sixtyKeywords(Api api) {
        shop = new Shop(api, "id,title\nA1,Kayak hire\nA2,Old oars from Fennick\nA3,Canoe guide\n");
        StringBuilder list = new StringBuilder("keyword,volume,competition,country");
        for (int month = 0; month < 24; month++)
            list.append(",%d-%02d".formatted(2024 + (month + 10) / 12, (month + 10) % 12 + 1));
        int i = 0;
        for (String act : ACTS) {
            for (String thing : THINGS) {
                for (String place : PLACES) {
                    list.append("\n%s %s%s,%s,%s,gb"
                            .formatted(
                                    act,
                                    thing,
                                    place,
                                    i % 7 == 0 ? "" : i * 37 % 500,
                                    List.of("low", "high").get(i % 2)));
                    for (int month = 0; month < 24; month++)
                        list.append(',').append(month % 12 == 8 && i % 3 == 0 ? 900 : 100);
                    i++;
                }
            }
        }
        shop.post("/keywords", "{\"text\":\"" + list.toString().replace("\n", "\\n") + "\"}");
    }

    private List<JsonNode> rows(String query) {
        List<JsonNode> rows = new ArrayList<>();
        shop.get("/keywords?count=500" + query).json().path("rows").forEach(rows::add);
        return rows;
    }

    @Test
    void everyFilterTakesWhatItSaysAndNothingElse() {
        List<JsonNode> all = rows("");
        assertThat(all).hasSize(60);
        Map<String, Predicate<JsonNode>> filters = new HashMap<>(Map.of(
                "&q=KAYAK", row -> row.path("phrase").asString().contains("kayak"),
                "&home=with", row -> !row.path("itemId").isNull(),
                "&home=without", row -> row.path("itemId").isNull(),
                "&home=primary", row -> row.path("role").asString("").equals("primary"),
                "&home=secondary", row -> row.path("role").asString("").equals("secondary"),
                "&intent=informational", row -> row.path("intent").asString().equals("informational"),
                "&season=yes", row -> !row.path("peaks").asString().isEmpty(),
                "&brand=yes", row -> row.path("brand").asBoolean(),
                "&q=oar&intent=commercial",
                        row -> row.path("phrase").asString().contains("oar")
                                && row.path("intent").asString().equals("commercial")));
        filters.put(
                "&competition=HIGH", row -> row.path("competition").asString().equals("high"));
        filters.put("&min=200", row -> row.path("volume").asInt(0) >= 200);
        filters.put("&rank=none", row -> row.path("position").asDouble() < 1);
        filters.put("&rank=first-page", row -> false);
        filters.forEach((query, takes) -> assertThat(rows(query))
                .as(query)
                .containsExactlyElementsOf(all.stream().filter(takes).toList()));
        assertThat(rows("&season=yes")).hasSize(20).allSatisfy(row -> {
            assertThat(row.path("peaks").asString()).isEqualTo("July");
            assertThat(row.path("lastMonth").asString()).isEqualTo("2026-10");
            assertThat(row.path("monthly")).hasSize(24);
        });
    }

    @Test
    void everyOrderIsAnOrderInBothDirections() {
        Map<String, Function<JsonNode, String>> keys = Map.of(
                "phrase", row -> row.path("phrase").asString(),
                "volume",
                        row -> row.path("volume").isNull()
                                ? ""
                                : String.format(
                                        Locale.ROOT, "%09d", row.path("volume").asLong()),
                "intent", row -> row.path("intent").asString(),
                "topic", row -> row.path("topic").asString(),
                "competition", row -> row.path("competition").asString(),
                "address", row -> row.path("address").asString(""));
        keys.forEach((sort, key) -> {
            Comparator<JsonNode> order = Comparator.comparing(key);
            assertThat(rows("&desc=false&sort=" + sort)).as(sort).hasSize(60).isSortedAccordingTo(order);
            assertThat(rows("&sort=" + sort)).as(sort + " falling").hasSize(60).isSortedAccordingTo(order.reversed());
        });
        List<String> paged = new ArrayList<>();
        for (int from = 0; from < 60; from += 7) {
            shop.get("/keywords?sort=intent&count=7&from=" + from)
                    .json()
                    .path("rows")
                    .forEach(row -> paged.add(row.path("phrase").asString()));
        }
        assertThat(paged).hasSize(60).doesNotHaveDuplicates();
        assertThat(shop.get("/keywords?from=900").json().path("rows")).isEmpty();
        assertThat(shop.get("/keywords.csv?intent=informational").body().lines())
                .hasSize(rows("&intent=informational").size() + 1);
    }

    @Test
    void figuresAreKeptByCountryAndByKindOfMatch(Api api) {
        Shop other = new Shop(api, "id,title\nA1,Kayak hire\n");
        other.post(
                "/keywords",
                "{\"text\":\"keyword,exact volume,broad volume,country,competition,2026-09,2026-10\\n"
                        + "kayak hire,90,900,GBR,low,80,90\\nkayak hire,40,,Ireland,high,10,20\\n"
                        + "canoe hire,7,,gb,,,\\nold oars,30,,,,,\\n\"}");
        other.importDemand("""
                query,country,from,to,clicks,impressions,position
                hire kayak,xq,2026-11-16,2026-11-22,9,99,9
                kayaks hire,xq,2026-11-16,2026-11-22,2,20,3
                kayak hire,gbr,2026-11-16,2026-11-22,4,50,5
                """);
        JsonNode all = other.get("/keywords?sort=volume").json().path("rows");
        assertThat(all.findValuesAsString("volume")).containsExactly("130", "30", "7");
        JsonNode hire = all.get(0);
        assertThat(hire.path("broad").asInt()).isEqualTo(900);
        assertThat(hire.path("country").asString()).isEqualTo("gb, ie");
        assertThat(hire.path("monthly").toString()).isEqualTo("[90,110]");
        assertThat(hire.path("impressions").asInt()).isEqualTo(70);
        JsonNode irish = other.get("/keywords?country=ie").json().path("rows");
        assertThat(irish).hasSize(1);
        assertThat(irish.get(0).path("volume").asInt()).isEqualTo(40);
        assertThat(irish.get(0).path("competition").asString()).isEqualTo("high");
        assertThat(irish.get(0).path("impressions").asInt()).isZero();
        JsonNode figures =
                other.get("/keywords/" + hire.path("id") + "/figures").json();
        assertThat(figures.findValuesAsString("country")).containsExactly("gb", "ie");
        assertThat(figures.findValuesAsString("volume")).containsExactly("90", "40");
        assertThat(other.get("/keywords?country=gb&rank=first-page")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(1);
        JsonNode nowhere = other.get("/keywords?country=xq").json().path("rows");
        assertThat(nowhere).as("only reported there").hasSize(1);
        assertThat(nowhere.get(0).path("volume").isNull()).isTrue();
        assertThat(nowhere.get(0).path("clicks").asInt()).isEqualTo(2);
        assertThat(other.get("/keywords/choices").json().path("countries").toString())
                .isEqualTo("[\"gb\",\"ie\",\"xq\"]");
        for (int change = 0; change < 60; change++) {
            assertThat(other.post("/keywords/keep", "{\"filter\":{\"country\":\"ie\"}}")
                            .status())
                    .isEqualTo(200);
            if (change % 7 == 0) other.get("/keywords");
            assertThat(other.get("/keywords?country=ie").json().path("rows"))
                    .as("however much is kept of before")
                    .hasSize(1);
        }
        Reply answer = other.post("/keywords/remove", "{\"filter\":{\"country\":\"ie\",\"least\":40}}");
        JsonNode removed = answer.json();
        assertThat(removed.path("ids"))
                .as("what is done to all of a country is done to what is shown of it: " + answer.body())
                .hasSize(1);
        other.post("/keywords/restore", removed.toString());
        assertThat(other.post("/keywords/remove", "{\"filter\":{\"country\":\"ie\",\"min\":41}}")
                        .json()
                        .path("ids"))
                .isEmpty();
        other.post("/keywords", "{\"text\":\"keyword,volume,country\\nkayak hire,50,ie\\n\"}");
        assertThat(other.get("/keywords?q=kayak+hire")
                        .json()
                        .path("rows")
                        .get(0)
                        .path("volume")
                        .asInt())
                .as("one country brought up to date")
                .isEqualTo(140);
    }
}
