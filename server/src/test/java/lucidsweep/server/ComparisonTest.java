package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.TreeMap;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Two sweeps side by side. */
@ExtendWith(RunningApplication.class)
class ComparisonTest {

    @Test
    void crawlsFieldByField(Api api) {
        try (Site site = new Site()) {
            site.page("/", "Kayaks on the bay", "/hire", "/tours", "/old", "/lessons", "/shop")
                    .page("/hire", "Hire a kayak")
                    .page("/tours", "Guided tours")
                    .page("/old", "An old page")
                    .page("/lessons", "Lessons")
                    .page("/shop", "The shop");
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            String tours = api.get("/api/properties/" + property + "/items?q=/tours")
                    .json()
                    .path("rows")
                    .get(0)
                    .path("id")
                    .toString();
            api.post(
                    "/api/properties/" + property + "/cells",
                    "[{\"itemId\":" + tours + ",\"field\":\"title\",\"text\":\"Guided tours by kayak\"}]");
            site.page("/", "Kayaks on the bay", "/hire", "/tours", "/old", "/shop", "/news")
                    .page("/hire", "Hire a double kayak")
                    .page("/tours", "Guided tours by kayak")
                    .redirect("/old", "/hire")
                    .remove("/lessons")
                    .page("/news", "News");
            api.sweep(property);
            JsonNode compared = compare(api, property, "");
            assertThat(compared.path("counts").toString())
                    .isEqualTo("{\"new\":1,\"gone\":1,\"moved\":1,\"changed\":3,\"unchanged\":1}");
            assertThat(compared.path("fields").path("title").asInt()).isEqualTo(2);
            assertThat(compared.path("undrafted").asInt())
                    .as("two headings and a title")
                    .isEqualTo(2);
            Map<String, String> said = new TreeMap<>();
            compared.path("rows")
                    .forEach(row -> said.put(
                            row.path("address")
                                    .asString()
                                    .substring(site.address().length()),
                            row.path("kind").asString() + " "
                                    + row.path("movedTo").asString().replace(site.address(), "/") + titles(row)));
            assertThat(said)
                    .containsEntry("", "CHANGED ")
                    .containsEntry("hire", "CHANGED Hire a [+double ]kayak")
                    .containsEntry("tours", "CHANGED Guided tours[+ by kayak] (drafted)")
                    .containsEntry("old", "MOVED /hire[-An old page]")
                    .containsEntry("lessons", "GONE [-Lessons]")
                    .containsEntry("news", "NEW [+News]");
            assertThat(compare(api, property, "&undrafted=true&field=title")
                            .path("total")
                            .asInt())
                    .isEqualTo(1);
            assertThat(compare(api, property, "&kind=GONE").path("rows")).hasSize(1);
            JsonNode sweeps = api.get("/api/properties/" + property + "/sweeps").json();
            String csv = api.get("/api/properties/" + property + "/comparison.csv?before="
                            + sweeps.get(1).path("id") + "&after="
                            + sweeps.get(0).path("id") + "&field=title")
                    .body();
            assertThat(csv.lines().skip(1)).hasSize(2).allMatch(line -> line.contains(",changed,,title,"));
            assertThat(api.get("/api/properties/" + property + "/comparison?before="
                                    + sweeps.get(0).path("id") + "&after="
                                    + sweeps.get(1).path("id"))
                            .problem())
                    .contains("must be the earlier one");
        }
    }

    @Test
    void whatASmallerSweepDidNotAskIsNeitherGoneNorChanged(Api api) {
        try (Site site = new Site()) {
            site.page("/", "Kayaks on the bay", "/hire", "/tours/a", "/tours/b")
                    .page("/hire", "Hire a kayak")
                    .page("/tours/a", "Tour a")
                    .page("/tours/b", "Tour b");
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            site.remove("/tours/b");
            JsonNode sweep = api.post(
                            "/api/properties/" + property + "/sweeps",
                            "{\"maxPages\":50,\"maxDepth\":9,\"connections\":1,\"delayMs\":0,\"include\":[\"/tours/\"]}")
                    .json();
            api.ended(sweep.path("jobId").asLong());
            assertThat(compare(api, property, "").path("counts").toString())
                    .isEqualTo("{\"new\":0,\"gone\":1,\"moved\":0,\"changed\":0,\"unchanged\":1}");
        }
    }

    @Test
    void importsFieldByField(Api api) {
        Shop shop = new Shop(api, "id,title,tags\nA,Ash paddle,ash\nB,Oak paddle,oak\n");
        shop.importFile("id,tags,title\nA,\"ash, gift\",Ash paddle\nC,,Elm paddle\n");
        JsonNode compared = compare(api, shop.property(), "");
        assertThat(compared.path("counts").toString())
                .isEqualTo("{\"new\":1,\"gone\":1,\"moved\":0,\"changed\":1,\"unchanged\":0}");
        assertThat(compared.path("fields").toString()).isEqualTo("{\"tags\":1}");
        shop.importDemand("query,impressions\npaddle,40\n");
        JsonNode sweeps = shop.get("/sweeps").json();
        assertThat(sweeps.get(0).path("ofItems").asBoolean()).isFalse();
        assertThat(shop.get("/comparison?before=" + sweeps.get(1).path("id") + "&after="
                                + sweeps.get(0).path("id"))
                        .problem())
                .contains("expected two sweeps of the items, got the import of “demand.csv”");
    }

    private static JsonNode compare(Api api, long property, String filter) {
        JsonNode sweeps = api.get("/api/properties/" + property + "/sweeps").json();
        return api.get("/api/properties/" + property + "/comparison?before="
                        + sweeps.get(1).path("id") + "&after=" + sweeps.get(0).path("id") + filter)
                .json();
    }

    private static String titles(JsonNode row) {
        StringBuilder said = new StringBuilder();
        for (JsonNode field : row.path("fields")) {
            if (!field.path("field").asString().equals("title")) continue;
            for (JsonNode piece : field.path("pieces")) {
                String text = piece.path("text").asString();
                said.append(
                        switch (piece.path("fate").asString()) {
                            case "WENT" -> "[-" + text + "]";
                            case "CAME" -> "[+" + text + "]";
                            default -> text;
                        });
            }
            if (field.path("drafted").asBoolean() && row.path("kind").asString().equals("CHANGED"))
                said.append(" (drafted)");
        }
        return said.toString();
    }
}
