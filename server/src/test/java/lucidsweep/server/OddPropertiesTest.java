package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.triage.FindingsQueue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;

/** Properties as nobody would think of: Triage says what is so of them, and nothing hangs. */
@ExtendWith(RunningApplication.class)
class OddPropertiesTest {

    private static final String DEMAND = "listing id,query,from,to,clicks,impressions,position\n";

    @Test
    void threeItemsWithDemandForOne(Api api) {
        Shop shop = new Shop(api, "listing id,title\nA,Rope\nB,Rope\nC,A coil of tarred hemp rope for boats\n");
        shop.importDemand(DEMAND + "A,rope,2026-10-01,2026-10-28,90000,100000,1.2\n");
        assertThat(causes(shop)).anyMatch(says -> says.startsWith("2 titles are used on several items"));
        for (String path : List.of("/costs", "/checklist", "/findings/spots", "/findings/life", "/standing"))
            assertThat(shop.get(path).status()).as(path).isEqualTo(200);
    }

    @Test
    void thousandsOfOneTitleAndOneItemWithAllTheClicks(Api api, ApplicationContext application) {
        StringBuilder csv = new StringBuilder("listing id,title,section\n");
        int items = 4_000;
        for (int i = 0; i < items; i++) csv.append("P").append(i).append(",Bell rope of hemp for boats,Ropes\n");
        Shop shop = new Shop(api, csv.toString());
        StringBuilder demand = new StringBuilder(DEMAND);
        for (int i = 0; i < items; i += 2) {
            demand.append("P%d,bell rope %d,2026-10-01,2026-10-28,%d,%d,%d.5%n"
                    .formatted(i, i % 50, i == 0 ? 9_000_000 : 0, i == 0 ? 90_000_000 : i % 40, 1 + i % 30));
        }
        shop.importDemand(demand.toString());
        assertThat(causes(shop)).contains("4,000 items share one title: “Bell rope of hemp for boats”.");
        JsonNode stake = shop.get("/standing").json().path("stake");
        assertThat(stake.path("clicks").asDouble()).isFinite().isNotNegative();
        assertThat(stake.path("low").asDouble())
                .isLessThanOrEqualTo(stake.path("high").asDouble());

        // Told apart in one batch, which is more than is followed item by item.
        shop.post("/batches", Shop.edit("replace", "title", "\"find\":\"Bell\",\"with\":\"Ship’s bell\""));
        shop.type("P0", "title", "A rope of another kind for the pier");
        // Nobody who types waits while all findings are worked out.
        application.getBean(FindingsQueue.class).await(shop.property());
        assertThat(shop.row("P0").path("findings").toString()).doesNotContain("\"duplicate\"");
    }

    @Test
    void textsOfEveryKind(Api api) {
        String[] odd = {
            "🛶".repeat(300),
            "מפרץ תרין קיאקים",
            "\u202Eskayak\u202C for hire",
            "a b ".repeat(2_500),
            "\u200B\u200B\u200B",
            "e\u0301".repeat(500),
            "(((((((((((((((((((((((((((((((((((((((",
            "ﷺ ".repeat(100),
            "kayak\u0007\u0001 hire",
            "%s %d {{x}} ${y} <b>",
        };
        StringBuilder csv = new StringBuilder("listing id,title,description,tags\n");
        for (int i = 0; i < 40; i++) {
            String text = odd[i % odd.length];
            csv.append("O")
                    .append(i)
                    .append(",\"")
                    .append(text)
                    .append("\",\"")
                    .append(text)
                    .append("\",\"");
            csv.append(text.replace(" ", ",")).append("\"\n");
        }
        Shop shop = new Shop(api, csv.toString());
        assertThat(causes(shop)).isNotEmpty();
        assertThat(shop.get("/items?count=40").json().path("rows")).hasSize(40);
        assertThat(shop.get("/findings.csv").status()).isEqualTo(200);
        assertThat(shop.post("/report.html", "{}").status()).isEqualTo(200);
    }

    private static List<String> causes(Shop shop) {
        JsonNode causes = shop.get("/causes").json();
        return causes.valueStream().map(cause -> cause.path("says").asString()).toList();
    }
}
