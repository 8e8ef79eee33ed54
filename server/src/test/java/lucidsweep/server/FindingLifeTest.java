package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Findings over sweeps: new, there before, gone by a draft, delivered, mended elsewhere, and back again. */
@ExtendWith(RunningApplication.class)
class FindingLifeTest {

    private static final String HEAD = "listing id,title,description\n";
    private static final String GOOD =
            ",Rope of tarred hemp for boats of every size %s,\"Laid by hand in the long shed by the quay, number %s, and made to last for many years\"\n";

    private static String good(String id) {
        return id + GOOD.formatted(id, id);
    }

    private static String untitled(String id) {
        return id + good(id).substring(id.length()).replaceFirst(",[^,]*,", ",,");
    }

    @Test
    void isToldFromSweepToSweep(Api api) {
        LocalDate today = LocalDate.now();
        Shop shop = new Shop(api, api.property("listings", "", false));
        shop.importFile(HEAD + good("A") + untitled("B") + untitled("C") + untitled("D"), today.minusDays(60));
        int old = life(shop, 0, "old");
        assertThat(life(shop, 0, "fresh")).isZero();
        assertThat(addresses(shop, "title", "missing", "new", moment(shop, 0))).isEmpty();

        shop.type("B", "title", "A rope to tie a boat to a quay, of hemp, with a spliced eye B");
        shop.type("C", "title", "A line to throw from a boat to a quay, of sisal, with a knot C");
        shop.post("/decisions", "{\"selection\":" + Shop.selection(shop.itemId("C")) + ",\"state\":\"approved\"}");
        shop.post("/handovers", "{\"format\":\"csv\"}");
        assertThat(life(shop, 0, "drafted")).isEqualTo(1);
        assertThat(life(shop, 0, "delivered")).isEqualTo(1);

        // A was good and lost its title, D was mended.
        shop.importFile(HEAD + untitled("A") + untitled("B") + untitled("C") + good("D"), today.minusDays(30));
        assertThat(shop.get("/findings/life").json()).hasSize(2);
        assertThat(life(shop, 1, "fresh")).as("since the first sweep").isEqualTo(1);
        assertThat(life(shop, 1, "old")
                        + life(shop, 1, "drafted")
                        + life(shop, 1, "delivered")
                        + life(shop, 1, "fixed"))
                .as("every one of the first sweep")
                .isEqualTo(old);
        assertThat(life(shop, 1, "drafted")).isEqualTo(1);
        int fixed = life(shop, 1, "fixed");
        assertThat(fixed).isPositive();
        assertThat(life(shop, 0, "fresh")).as("since the second").isZero();
        assertThat(addresses(shop, "title", "missing", "new", moment(shop, 1))).containsExactly("A");
        assertThat(addresses(shop, "title", "missing", "old", moment(shop, 1))).isEmpty();

        shop.importFile(HEAD + untitled("A") + untitled("B") + untitled("C") + untitled("D"), today);
        assertThat(life(shop, 1, "back")).isEqualTo(1);
        assertThat(life(shop, 1, "fixed")).isLessThan(fixed);
        assertThat(addresses(shop, "title", "missing", "back", moment(shop, 1))).containsExactly("D");
        assertThat(addresses(shop, "title", "missing", "old", moment(shop, 1))).containsExactly("A");
        assertThat(shop.get("/items?life=young").status()).isEqualTo(422);
    }

    private static JsonNode since(Shop shop, int sweepsAgo) {
        return shop.get("/findings/life").json().get(sweepsAgo);
    }

    private static int life(Shop shop, int sweepsAgo, String what) {
        return since(shop, sweepsAgo).path(what).asInt();
    }

    private static long moment(Shop shop, int sweepsAgo) {
        return since(shop, sweepsAgo).path("moment").asLong();
    }

    private static List<String> addresses(Shop shop, String field, String check, String what, long moment) {
        List<String> found = new ArrayList<>();
        String filter = "/items?field=" + field + "&check=" + check + "&life=" + what + "%20" + moment;
        for (JsonNode row : shop.get(filter).json().path("rows"))
            found.add(row.path("address").asString());
        return found;
    }
}
