package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What result pages make of texts that are live. */
@ExtendWith(RunningApplication.class)
class AcceptedTextsTest {

    @Test
    void saysWhoseWordingTheLastResultListsShow(Api api) {
        try (Site site = new Site()
                .page("/", "Boats of the bay", "/oars", "/nets")
                .page("/oars", "Oars by the day")
                .page("/nets", "Nets by the day")) {
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            Shop pages = new Shop(api, property);
            String oars = site.address() + "oars";
            String nets = site.address() + "nets";
            pages.type(oars, "title", "Oars of ash, by the day");
            pages.type(nets, "title", "Nets of hemp, by the day");
            pages.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
            long handover = pages.post("/handovers", "{\"format\":\"csv\"}")
                    .json()
                    .path("id")
                    .asLong();
            site.html("/oars", "<title>Oars of ash, by the day</title>");
            site.html("/nets", "<title>Nets of hemp, by the day</title>");
            api.sweep(property);

            LocalDate today = LocalDate.now();
            assertThat(accepted(pages).path("lastLooked").asString())
                    .as("no list yet")
                    .isEmpty();
            pages.importResults("""
                    query,position,address,title,description,date
                    ash oars,3,%1$s,Oars of ash …,Long and light,%3$s
                    ash oars,2,https://rival.example/oars,Oars,Cheap,%3$s
                    oars,5,%1$s,"Oars of ash, by the day - The Bay",,%3$s
                    hemp nets,4,%2$s,Fishing nets,,%3$s
                    old nets,4,%2$s,Nets by the day,,%4$s
                    """.formatted(oars, nets, today, today.minusDays(3)));
            assertThat(shares(pages))
                    .as("what was shown before they were live does not count")
                    .isEqualTo("1 1 1");
            JsonNode own = pages.get("/acceptance/results?wording=its-own&handover=" + handover)
                    .json();
            assertThat(own).hasSize(1);
            assertThat(own.path(0).path("shown").asString()).isEqualTo("Fishing nets");
            assertThat(own.path(0).path("ours").asString()).isEqualTo("Nets of hemp, by the day");
            assertThat(pages.get("/acceptance?handover=" + (handover + 1))
                            .json()
                            .path("acceptance")
                            .path("all")
                            .path("ours")
                            .asInt())
                    .isZero();

            // A later look counts in the place of the earlier one, whatever else was looked at; undoing it brings that
            // back.
            pages.importResults("""
                    query,position,address,title,description,date
                    hemp nets,4,%s,"Nets of hemp, by the day",,%s
                    """.formatted(nets, today.plusDays(7)));
            assertThat(shares(pages)).isEqualTo("2 1 0");
            assertThat(accepted(pages).path("lastLooked").asString())
                    .isEqualTo(today.plusDays(7).toString());

            // The search engine has not read the page anew: that says nothing about its wording.
            pages.importResults("""
                    query,position,address,title,description,date
                    best nets,4,%s,Nets by the day,,%s
                    """.formatted(nets, today.plusDays(1)));
            assertThat(shares(pages)).isEqualTo("2 1 0");
        }
    }

    @Test
    void remindsOfItWhereOurWordingIsShownLessOftenThanTheMonthBefore(Api api) {
        try (Site site = new Site().page("/", "Boats of the bay")) {
            Shop pages = new Shop(api, api.property("website", site.address(), true));
            api.sweep(pages.property());
            pages.type(site.address(), "title", "Boats of ash, by the day");
            pages.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
            pages.post("/handovers", "{\"format\":\"csv\"}");
            site.page("/", "Boats of ash, by the day");
            api.sweep(pages.property());

            LocalDate nextMonth = LocalDate.now().plusMonths(1).withDayOfMonth(1);
            pages.importResults(results(site.address(), LocalDate.now(), 20));
            pages.importResults(results(site.address(), nextMonth, 19));
            assertThat(due(pages)).as("19 of 20 are as good as all").isEmpty();
            pages.importResults(results(site.address(), nextMonth.plusDays(1), 15));
            assertThat(due(pages))
                    .containsExactly("Result pages show our wording in 85% of the results, 100% a month before");
        }
    }

    /** Twenty results, of which so many show our title. */
    private static String results(String address, LocalDate day, int ours) {
        StringBuilder csv = new StringBuilder("query,position,address,title,date\n");
        for (int query = 0; query < 20; query++)
            csv.append("boats %d,3,%s,\"%s\",%s%n"
                    .formatted(query, address, query < ours ? "Boats of ash, by the day" : "Cheap boats", day));
        return csv.toString();
    }

    private static List<String> due(Shop pages) {
        return pages.get("/watch/due")
                .json()
                .valueStream()
                .filter(due -> due.path("kind").asString().equals("acceptance"))
                .map(due -> due.path("text").asString())
                .toList();
    }

    private static JsonNode accepted(Shop pages) {
        return pages.get("/acceptance").json();
    }

    private static String shares(Shop pages) {
        JsonNode all = accepted(pages).path("acceptance").path("all");
        return all.path("ours") + " " + all.path("cut") + " " + all.path("itsOwn");
    }
}
