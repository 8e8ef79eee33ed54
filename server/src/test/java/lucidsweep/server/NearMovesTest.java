package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Beside a sudden move stands what happened at that time. */
@ExtendWith(RunningApplication.class)
class NearMovesTest {

    private static final List<String> PAGES = List.of("oars", "nets", "rods", "bait", "maps");
    private static final int WEEKS = 44;

    private final LocalDate today = LocalDate.now();

    @Test
    void saysWhatChangedOnThePageAndAmongTheRivals(Api api) {
        try (Site site = new Site().page("/", "Boats of the bay", "/oars", "/nets", "/rods", "/bait", "/maps")) {
            for (String page : PAGES) site.page("/" + page, "All " + page + " of the bay");
            Shop pages = new Shop(api, api.property("website", site.address(), true));
            api.sweep(pages.property());
            site.page("/oars", "Page 1");
            api.sweep(pages.property());
            pages.importDemand(demandOfWhichFall(site.address(), List.of("oars")));
            pages.importResults("""
                    query,position,address,title,date
                    old oars,3,%1$soars,All oars,%2$s
                    old oars,4,https://quay.example/,Oars at the quay,%2$s
                    old oars,9,%1$soars,All oars,%3$s
                    old oars,4,https://quay.example/,Oars of the quay since 1902,%3$s
                    old oars,3,https://inlet.example/,Inlet oars,%3$s
                    """.formatted(site.address(), today.minusDays(7), today.plusDays(3)));

            JsonNode page = move(pages, "items");
            assertThat(page.path("says").asString()).startsWith("fell from position 3");
            assertThat(page.path("moved").get(0).path("name").asString()).endsWith("/oars");
            assertThat(page.path("near").findValuesAsString("text"))
                    .containsExactly("somebody changed title, H1 on the page");
            JsonNode query = move(pages, "queries");
            assertThat(query.path("name").asString()).isEqualTo("old oars");
            assertThat(query.path("near").findValuesAsString("text"))
                    .containsExactlyInAnyOrder(
                            "a rival's new title: “Oars of the quay since 1902”", "a new rival: “Inlet oars”");

            JsonNode looks = pages.get("/watch/looks?query=old+oars").json();
            assertThat(looks).hasSize(2);
            JsonNode last = looks.path(0);
            assertThat(last.path("ours").path("position").asInt()).isEqualTo(9);
            assertThat(last.path("above").path("title").asString()).isEqualTo("Oars of the quay since 1902");
            assertThat(last.path("below").isNull()).isTrue();
            assertThat(looks.path(1).path("below").path("position").asInt()).isEqualTo(4);
            assertThat(pages.get("/watch/looks?query=nothing").body()).isEqualTo("[]");
        }
    }

    @Test
    void saysWhereOtherPropertiesMovedTheSameWay(Api api) {
        Shop one = new Shop(api, "id,title\noars,Oars\nnets,Nets\nrods,Rods\nbait,Bait\nmaps,Maps\n");
        Shop other = new Shop(api, "id,title\noars,Oars\nnets,Nets\nrods,Rods\nbait,Bait\nmaps,Maps\n");
        one.importDemand(demandOfWhichFall("", PAGES));
        other.importDemand(demandOfWhichFall("", PAGES));
        JsonNode move = move(one, "items");
        assertThat(move.path("spread").asString()).isEqualTo("all");
        assertThat(move.path("near").path(0).path("kind").asString()).isEqualTo("market");
        assertThat(move.path("near").path(0).path("text").asString())
                .endsWith(" moved the same way in that week: the search engine may have changed");
    }

    /** Forty weeks as they were, and then four in which some pages stand far lower. */
    private String demandOfWhichFall(String address, List<String> falling) {
        StringBuilder demand = new StringBuilder("address,query,from,to,clicks,impressions,position\n");
        for (int week = 0; week < WEEKS; week++) {
            LocalDate day = today.plusWeeks(week - 40L);
            for (String page : PAGES) {
                boolean fallen = week >= 40 && falling.contains(page);
                demand.append("%s%s,old %s,%s,%s,%d,%d,%.1f%n"
                        .formatted(
                                address,
                                page,
                                page,
                                day,
                                day.plusDays(6),
                                fallen ? 9 : 34,
                                400 + week % 3,
                                (fallen ? 9 : 3) + week % 4 / 10.0));
            }
        }
        return demand.toString();
    }

    private static JsonNode move(Shop pages, String side) {
        JsonNode moves = pages.get("/watch/moves").json();
        return moves.valueStream()
                .filter(move -> move.path("what").asString().equals("position"))
                .filter(move -> move.path("side").asString().equals(side))
                .findFirst()
                .orElseThrow(() -> new AssertionError(moves.toString()));
    }
}
