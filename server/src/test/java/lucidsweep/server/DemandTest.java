package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What is reported of a property, over windows, in countries, with the brand and without. */
@ExtendWith(RunningApplication.class)
class DemandTest {

    private Shop shop;

    @BeforeEach
    void aShopWithSixtyWeeks(Api api) {
        shop = new Shop(api, "id,title\nA1,Ash paddle\nA2,Spray deck\n");
        StringBuilder demand = new StringBuilder("page,query,country,from,to,clicks,impressions,position\n");
        for (int week = 0; week < 60; week++) {
            LocalDate from = LocalDate.of(2026, 11, 16).minusWeeks(week);
            String period = from + "," + from.plusDays(6);
            demand.append("A1,ash paddle,gb,%s,%d,100,5\n".formatted(period, week < 13 ? 6 : 3))
                    .append("A1,ash paddle,xq,%s,1,10,9\n".formatted(period))
                    .append("A2,tarrin bay kayak,gb,%s,4,8,1\n".formatted(period))
                    .append("gone,old oars,,%s,0,%d,30\n".formatted(period, week < 13 ? 5 : 50));
        }
        shop.importDemand(demand.toString());
    }

    private JsonNode window(String query) {
        return shop.get("/demand/window?" + query).json();
    }

    private JsonNode rows(String query) {
        return shop.get("/demand/rows?" + query).json();
    }

    @Test
    void aWindowIsHeldAgainstTheOneBeforeAndTheYearBefore() {
        JsonNode all = window("");
        assertThat(all.path("first").asString()).isEqualTo("2026-08-24");
        assertThat(all.path("last").asString()).isEqualTo("2026-11-22");
        assertThat(all.path("now").path("clicks").asInt()).isEqualTo(13 * 11);
        assertThat(all.path("before").path("clicks").asInt()).isEqualTo(13 * 8);
        assertThat(all.path("yearBefore").path("clicks").asInt()).isEqualTo(8 * 8);
        assertThat(all.path("weeks")).hasSize(60);
        assertThat(all.path("countries").findValuesAsString("country")).containsExactly("gb", "xq", "not named");
        assertThat(window("country=xq").path("now").path("impressions").asInt()).isEqualTo(130);
        assertThat(window("country=atlantis").path("now").path("impressions").asInt())
                .isZero();
        assertThat(window("brand=yes").path("now").path("rate").asDouble()).isEqualTo(0.5);
        assertThat(window("brand=no").path("now").path("clicks").asInt()).isEqualTo(13 * 7);
        JsonNode lately = window("first=2026-11-09&last=2026-12-06");
        assertThat(lately.path("missing").asInt()).isEqualTo(14);
        assertThat(window("first=2025-11-24&last=2026-11-22")
                        .path("before")
                        .path("clicks")
                        .asInt())
                .isEqualTo(8 * 8);
        assertThat(window("first=2025-01-06&last=2025-02-02").path("yearBefore").isNull())
                .isTrue();
    }

    @Test
    void itemsAndQueriesStandInAnyOrderAndLeadToEachOther() {
        JsonNode items = rows("side=items&sort=clicks-change");
        assertThat(items.path("rows").findValuesAsString("text")).containsExactly("A1", "A2", "gone");
        assertThat(items.path("rows").get(0).path("itemId").asLong()).isEqualTo(shop.itemId("A1"));
        assertThat(items.path("rows").get(2).path("itemId").isNull()).isTrue();
        assertThat(rows("side=items&sort=impressions-change&desc=false")
                        .path("rows")
                        .get(0)
                        .path("text")
                        .asString())
                .isEqualTo("gone");
        assertThat(rows("item=" + shop.itemId("A2")).path("rows").findValuesAsString("text"))
                .containsExactly("tarrin bay kayak");
        assertThat(rows("side=items&query=ash+paddle").path("total").asInt()).isEqualTo(1);
        assertThat(rows("q=OAR&sort=position").path("rows").findValuesAsString("text"))
                .containsExactly("old oars");
        assertThat(shop.get("/demand/rows.csv?side=queries&sort=text&desc=false")
                        .body())
                .contains("\nash paddle,91,52,32,1430,1430,880,");
    }

    @Test
    void anOddWindowIsRefusedInWordsAndNoDemandIsNoFault(Api api) {
        assertThat(shop.get("/demand/window?first=2026-11-22&last=2026-11-01").problem())
                .contains("ends after it begins");
        assertThat(shop.get("/demand/window?first=2020-01-01").problem()).contains("at most 364 days");
        assertThat(shop.get("/demand/window?last=soon").problem()).contains("expected a day such as");
        assertThat(shop.get("/demand/rows?sort=colour").problem()).contains("cannot be sorted by");
        Shop other = new Shop(api, "id,title\nA1,Ash paddle\n");
        assertThat(other.get("/demand/window").json().path("lastDay").asString())
                .isEmpty();
        assertThat(other.get("/demand/rows").json().path("total").asInt()).isZero();
        other.importDemand("query,impressions\npaddle,40\n");
        assertThat(other.get("/demand/rows?side=queries")
                        .json()
                        .path("rows")
                        .get(0)
                        .path("now")
                        .path("impressions")
                        .asInt())
                .as("a file that names neither days nor addresses")
                .isEqualTo(40);
    }

    @Test
    void partsAreNarrowedTogether() {
        String a1 = "item=" + shop.itemId("A1");
        assertThat(window(a1).path("now").path("clicks").asInt()).isEqualTo(13 * 7);
        assertThat(window(a1 + "&country=gb").path("now").path("clicks").asInt())
                .isEqualTo(13 * 6);
        assertThat(window(a1 + "&brand=yes").path("now").path("clicks").asInt()).isZero();
        assertThat(window("like=kayaks+of+tarrin+bay")
                        .path("now")
                        .path("clicks")
                        .asInt())
                .as("other words in another order are another query")
                .isZero();
        assertThat(window("like=Tarrin+Bay+Kayaks").path("now").path("clicks").asInt())
                .isEqualTo(13 * 4);
        assertThat(window("like=tarrin+bay+kayaks&brand=no")
                        .path("now")
                        .path("clicks")
                        .asInt())
                .isZero();
        assertThat(window("query=ash+paddle&weeks=4")
                        .path("now")
                        .path("impressions")
                        .asInt())
                .isEqualTo(4 * 110);
        assertThat(window("query=no+such+query").path("countries")).isEmpty();
        assertThat(window("item=999999").path("now").path("impressions").asInt())
                .isZero();
        assertThat(window("weeks=900").path("first").asString())
                .as("at most 52 weeks")
                .isEqualTo("2025-11-24");
        assertThat(window("country=gb").path("countries").findValuesAsString("country"))
                .as("all countries stay to be chosen")
                .containsExactly("gb", "xq", "not named");
    }

    @Test
    void theTableIsNewOnceDemandOrItemsAre() {
        assertThat(rows("side=items").path("total").asInt()).isEqualTo(3);
        shop.importDemand("page,query,from,to,clicks,impressions,position\nA2,wet deck,2026-11-16,2026-11-22,2,9,4\n");
        assertThat(rows("q=wet").path("rows").get(0).path("now").path("clicks").asInt())
                .isEqualTo(2);
        shop.importFile("id,title\nA1,Ash paddle\nA2,Spray deck\ngone,Old oars\n");
        JsonNode oars = rows("side=items&q=gone").path("rows").get(0);
        assertThat(oars.path("itemId").asLong()).as("an item again").isEqualTo(shop.itemId("gone"));
        String last = shop.get("/sweeps").json().get(1).path("id").toString();
        assertThat(shop.get("/sweeps").json().get(1).path("ofItems").asBoolean())
                .as("the import " + last + " was of demand")
                .isFalse();
    }

    @Test
    void whatNamesNoDayIsOfTheLastMonthThatIsReportedAlsoOnceAReportWasTakenBack(Api api) {
        shop.importDemand("query,impressions\nwet deck,40\n");
        assertThat(lastDayWith("wet")).isEqualTo("2026-11-22");
        shop.importDemand("query,from,to,impressions\nash paddle,2026-12-28,2027-01-03,9\n");
        assertThat(lastDayWith("wet")).isEqualTo("2027-01-03");
        long last = shop.get("/sweeps").json().get(0).path("id").asLong();
        api.post("/api/sweeps/" + last + "/take-back", "");
        assertThat(lastDayWith("wet")).isEqualTo("2026-11-22");
    }

    /** The last day that is reported; a query must be of the month that ends with it. */
    private String lastDayWith(String query) {
        String day = window("").path("lastDay").asString();
        String month = "&first=" + LocalDate.parse(day).minusDays(29) + "&last=" + day;
        assertThat(rows("q=" + query + month).path("total").asInt()).isEqualTo(1);
        return day;
    }

    @Test
    void anySortIsAnOrderInBothDirections() {
        for (String side : new String[] {"items", "queries"}) {
            for (String sort : new String[] {
                "text",
                "clicks",
                "clicks-change",
                "clicks-year",
                "impressions",
                "impressions-change",
                "rate",
                "position"
            }) {
                JsonNode up =
                        rows("side=" + side + "&sort=" + sort + "&desc=false").path("rows");
                JsonNode down =
                        rows("side=" + side + "&sort=" + sort + "&desc=true").path("rows");
                assertThat(up).hasSize(3);
                assertThat(down.findValuesAsString("text"))
                        .as(side + " by " + sort)
                        .containsExactlyInAnyOrderElementsOf(up.findValuesAsString("text"));
                JsonNode first = up.get(0).path("now");
                JsonNode last = up.get(2).path("now");
                if (sort.equals("clicks") || sort.equals("impressions") || sort.equals("rate")) {
                    assertThat(first.path(sort).asDouble())
                            .isLessThanOrEqualTo(last.path(sort).asDouble());
                    assertThat(down.get(0).path("now").path(sort).asDouble())
                            .isEqualTo(last.path(sort).asDouble());
                }
            }
        }
        assertThat(rows("count=2&from=2").path("rows")).hasSize(1);
        assertThat(rows("count=-1&from=-4").path("rows")).isEmpty();
    }
}
