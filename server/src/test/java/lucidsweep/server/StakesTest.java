package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Clicks at stake, of a shop whose searchers are known: a title that others have, too, is clicked 40% less. */
@ExtendWith(RunningApplication.class)
class StakesTest {

    private static final int LISTINGS = 400;
    private static final double LESS = 0.4;

    /** What was really lost in the three months, by titles that are the same. */
    private double lost;

    private Shop shop(Api api) {
        StringBuilder listings = new StringBuilder("listing id,title,description\n");
        for (int i = 0; i < LISTINGS; i++) {
            String title =
                    isCopy(i) ? "Oak paddle, carved by hand in our shed" : "Paddle " + i + ", carved by hand of oak";
            listings.append("S")
                    .append(i)
                    .append(',')
                    .append('"')
                    .append(title)
                    .append('"')
                    .append(",\"")
                    .append(title)
                    .append(", number ")
                    .append(i)
                    .append(", oiled and signed by its maker\"\n");
        }
        return new Shop(api, listings.toString());
    }

    private static boolean isCopy(int i) {
        return i % 4 == 0;
    }

    private String demand() {
        Random random = new Random(5);
        StringBuilder demand = new StringBuilder("page,query,clicks,impressions,position,from,to\n");
        for (int i = 0; i < LISTINGS; i++) {
            for (int q = 0; q < 3; q++) {
                int position = 1 + random.nextInt(10);
                int impressions = 400 + random.nextInt(4_000);
                double faultless = impressions * 0.25 / position * Math.exp(0.2 * random.nextGaussian());
                double clicks = faultless * (isCopy(i) ? 1 - LESS : 1);
                lost += faultless - clicks;
                demand.append("S")
                        .append(i)
                        .append(",query ")
                        .append(i % 50)
                        .append(' ')
                        .append(q)
                        .append(',')
                        .append(Math.round(clicks))
                        .append(',')
                        .append(impressions)
                        .append(',')
                        .append(position)
                        .append(",2026-08-01,2026-10-30\n");
            }
        }
        return demand.toString();
    }

    @Test
    void aFaultThatCostsClicksIsFoundRankedAndGoneOnceItIsFixed(Api api) {
        Shop shop = shop(api);
        JsonNode assumed = cost(shop.get("/costs").json(), "title", "duplicate");
        assertThat(assumed.path("source").asString()).isEqualTo("assumed");
        assertThat(shop.get("/causes").json().get(0).path("stake").path("high").asDouble())
                .isZero();

        shop.importDemand(demand());
        JsonNode costs = shop.get("/costs").json();
        assertThat(costs.path("items").asInt()).isEqualTo(LISTINGS);
        assertThat(costs.path("from").asString()).isEqualTo("2026-08-01");
        assertThat(costs.path("months").asDouble()).isCloseTo(3, within(0.1));
        JsonNode duplicate = cost(costs, "title", "duplicate");
        assertThat(duplicate.path("source").asString()).isEqualTo("own");
        assertThat(duplicate.path("items").asInt()).isEqualTo(LISTINGS / 4);
        assertThat(Math.log(1 - LESS))
                .isBetween(
                        duplicate.path("low").asDouble(), duplicate.path("high").asDouble());

        JsonNode first = shop.get("/causes").json().get(0);
        assertThat(first.path("says").asString())
                .isEqualTo("100 items share one title: “Oak paddle, carved by hand in our shed”.");
        JsonNode stake = first.path("stake");
        assertThat(stake.path("clicks").asDouble() / (lost / 3)).isBetween(1 / 1.5, 1.5);
        assertThat(lost / 3)
                .isBetween(stake.path("low").asDouble(), stake.path("high").asDouble());
        assertThat(shop.get("/costs.csv").body())
                .contains("title duplicate,-0.")
                .contains(",100,own");

        for (int i = 0; i < LISTINGS; i += 8)
            shop.type("S" + i, "title", "Oak paddle number " + i + ", carved by hand");
        double half =
                shop.get("/causes").json().get(0).path("stake").path("clicks").asDouble();
        assertThat(half / stake.path("clicks").asDouble()).isBetween(0.3, 0.7);

        shop.importDemand(demand());
        assertThat(cost(shop.get("/costs").json(), "title", "duplicate"))
                .as("what searchers have not seen teaches nothing")
                .isEqualTo(duplicate);
    }

    private static JsonNode cost(JsonNode costs, String field, String check) {
        for (JsonNode cost : costs.path("appeal")) {
            if (cost.path("field").asString().equals(field)
                    && cost.path("check").asString().equals(check)) return cost;
        }
        throw new AssertionError("no cost of " + field + " " + check);
    }
}
