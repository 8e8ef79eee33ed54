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
        assertThat(other.get("/demand/rows?side=items")
                        .json()
                        .path("rows")
                        .get(0)
                        .path("now")
                        .path("impressions")
                        .asInt())
                .as("a file that names neither days nor addresses")
                .isEqualTo(40);
    }
}
