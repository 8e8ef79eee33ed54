package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Services with places, and the spellings of the brand. */
@ExtendWith(RunningApplication.class)
class PlacesTest {

    private Api api;
    private Shop shop;

    @BeforeEach
    void aShopWithPlaces(Api api) {
        this.api = api;
        shop = new Shop(
                api, "id,title\nA1,Kayak hire in Gull Cove\nA2,Seal tour from Fennick\nA3,Canoe repair in Fennick\n");
        long client = api.get("/api/properties/" + shop.property())
                .json()
                .path("clientId")
                .asLong();
        api.method(
                "PUT",
                "/api/clients/" + client,
                "{\"name\":\"Tarrin Bay Kayaks\",\"brand\":\"TBK\",\"places\":\"Gull Cove, Fennick\"}");
        shop.post(
                "/keywords",
                "{\"text\":\"keyword,volume\\nkayak hire gull cove,90\\nkayak hire fennick,\\nseal tour fennick,400\\n"
                        + "seal tour gull cove,50\\ntarrin bay kayaks,700\\ntarin bay kayaks prices,30\"}");
    }

    private JsonNode cell(String service, String place) {
        for (JsonNode cell : shop.get("/places").json().path("cells")) {
            if (cell.path("service").asString().equals(service)
                    && cell.path("place").asString().equals(place)) return cell;
        }
        throw new AssertionError(service + " and " + place + " are no combination");
    }

    private int choose(String services) {
        return api.method(
                        "PUT",
                        "/api/properties/" + shop.property() + "/places/services",
                        "{\"services\":" + services + "}")
                .status();
    }

    @Test
    void everyServiceStandsWithEveryPlace() {
        JsonNode grid = shop.get("/places").json();
        assertThat(grid.path("services").toString()).isEqualTo("[\"seal tour\",\"kayak hire\"]");
        assertThat(grid.path("chosen").asBoolean()).isFalse();
        assertThat(cell("kayak hire", "Gull Cove").path("address").asString()).isEqualTo("A1");
        assertThat(cell("kayak hire", "Gull Cove").path("aimed").asBoolean()).isTrue();
        assertThat(cell("kayak hire", "Fennick").path("volume").isNull()).isTrue();
        assertThat(cell("kayak hire", "Fennick").path("itemId").isNull()).isTrue();
        assertThat(choose("[\" canoe  repair\",\"seal tour\",\"\"]")).isEqualTo(200);
        JsonNode repair = cell("canoe repair", "Fennick");
        assertThat(repair.path("keywords").asInt()).isZero();
        assertThat(repair.path("address").asString())
                .as("a page that no keyword led to")
                .isEqualTo("A3");
        assertThat(repair.path("aimed").asBoolean()).isFalse();
        assertThat(shop.get("/places.csv").body())
                .contains("seal tour,Fennick,seal tour fennick,400,A2,yes")
                .contains("canoe repair,Gull Cove,canoe repair gull cove,,,");
        assertThat(choose("[]")).isEqualTo(200);
        assertThat(shop.get("/places").json().path("chosen").asBoolean()).isFalse();
        assertThat(choose("[\"" + "x".repeat(101) + "\"]")).isEqualTo(422);
    }

    @Test
    void theBrandIsFoundHoweverItIsWritten() {
        shop.importDemand("""
                query,from,to,clicks,impressions,position
                tarrinbay kayaks,2026-11-16,2026-11-22,60,100,1
                tarrinbay kayaks hire,2026-11-16,2026-11-22,6,50,2
                kayak hire,2026-11-16,2026-11-22,6,50,9
                """);
        JsonNode brand = shop.get("/brand").json();
        assertThat(brand.path("names").toString()).isEqualTo("[\"Tarrin Bay Kayaks\",\"TBK\"]");
        assertThat(brand.path("found").findValuesAsString("text"))
                .containsExactly("tarrinbay kayaks", "tarrin bay kayaks", "tarin bay kayaks");
        assertThat(brand.path("found").findValuesAsString("kind")).containsExactly("JOINED_UP", "AS_NAMED", "SLIP");
        JsonNode joined = brand.path("found").get(0);
        assertThat(joined.path("queries").asInt()).isEqualTo(2);
        assertThat(joined.path("clicks").asInt()).isEqualTo(66);
        assertThat(joined.path("searches").isNull()).isTrue();
        assertThat(brand.path("found").get(2).path("searches").asInt()).isEqualTo(30);
        assertThat(brand.path("likely").toString())
                .contains("tarrin baykayaks", "tarrni bay kayaks")
                .doesNotContain("\"tarrinbay kayaks\"", "\"tarin bay kayaks\"");
    }
}
