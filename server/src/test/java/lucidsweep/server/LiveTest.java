package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What became of texts that were delivered, as sweeps see it. */
@ExtendWith(RunningApplication.class)
class LiveTest {

    private static final String CSV = """
            id,title
            A1,Ash paddle
            A2,Oak paddle
            A3,Birch tray
            A4,Tide clock
            A5,Rope mat
            """;

    @Test
    void everySweepSaysWhatIsLiveAndWhatWasChangedBackLater(Api api) {
        Shop shop = new Shop(api, CSV);
        shop.batch(Shop.edit("after", "title", "\"with\":\", signed\""));
        long handover = deliver(shop);
        assertThat(live(shop)).as("nobody has looked").isEqualTo("{}");
        shop.importFile(
                "id,title\nA1,\"Ash  paddle, signed\"\nA2,Oak paddle\nA3,Another tray\nA4,\"Tide clock, signed\"\n");
        assertThat(live(shop)).isEqualTo("{\"live\":2,\"otherwise\":1,\"not-yet\":1,\"gone\":1}");
        assertThat(shop.put("/live-schedule", "{\"every\":\"DAY\",\"nextDay\":\"2030-01-01\"}")
                        .problem())
                .isEqualTo("only pages can be swept again by themselves");
        JsonNode otherwise =
                api.get("/api/handovers/" + handover + "/live?state=otherwise").json();
        assertThat(otherwise.path(0).path("now").asString()).isEqualTo("Another tray");
        assertThat(otherwise.path(0).path("after").asString()).isEqualTo("Birch tray, signed");
        assertThat(shop.post("/report.html", "{}").body()).contains("texts: 5; items: 5; seen live: 2.");

        shop.importFile(
                "id,title\nA1,Ash paddle\nA2,\"Oak paddle, signed\"\nA3,Another tray\nA4,Somebody's clock\nA5,Rope mat\n");
        assertThat(live(shop)).isEqualTo("{\"live\":1,\"otherwise\":1,\"not-yet\":1,\"changed-back\":2}");

        // What is delivered anew is looked for in the later handover only.
        shop.type("A3", "title", "Birch tray of the bay");
        deliver(shop);
        shop.importFile(
                "id,title\nA1,Ash paddle\nA2,\"Oak paddle, signed\"\nA3,Birch tray of the bay\nA4,Clock\nA5,Rope mat\n");
        assertThat(live(shop)).isEqualTo("{\"live\":1}");
    }

    @Test
    void thePagesOfAHandoverAreSweptAgain(Api api) {
        try (Site site = new Site().page("/", "Boats of the bay", "/oars").page("/oars", "Oars by the day")) {
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            Shop pages = new Shop(api, property);
            pages.type(site.address() + "oars", "title", "Oars of ash, by the day");
            pages.type(site.address() + "oars", "og-description", "Turned in the long shed.");
            long handover = deliver(pages);
            site.html(
                    "/oars",
                    "<title>Oars of ash, by the day</title><meta property='og:description' content='Turned in the long shed.'>");
            JsonNode begun =
                    api.post("/api/handovers/" + handover + "/live", "{}").json();
            assertThat(api.ended(begun.path("jobId").asLong()).path("note").asString())
                    .startsWith("1 page");
            assertThat(live(pages)).isEqualTo("{\"live\":2}");

            LocalDate today = LocalDate.now();
            site.page("/oars", "Somebody's title");
            assertThat(pages.put("/live-schedule", "{\"every\":\"DAY\",\"nextDay\":\"" + today + "\"}")
                            .json()
                            .path("schedule")
                            .path("nextDay")
                            .asString())
                    .as("the first time at once, and then tomorrow")
                    .isEqualTo(today.plusDays(1).toString());
            for (JsonNode job : pages.get("/jobs").json())
                api.ended(job.path("id").asLong());
            assertThat(live(pages)).isEqualTo("{\"changed-back\":2}");
            String schedule = "/api/properties/" + property + "/live-schedule";
            assertThat(api.method("DELETE", schedule, "")
                            .json()
                            .path("schedule")
                            .isNull())
                    .isTrue();
        }
    }

    private static long deliver(Shop shop) {
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        var delivered = shop.post("/handovers", "{\"format\":\"csv\"}");
        assertThat(delivered.status()).as(delivered.body()).isEqualTo(200);
        return delivered.json().path("id").asLong();
    }

    private static String live(Shop shop) {
        return shop.get("/handovers").json().path(0).path("live").toString();
    }
}
