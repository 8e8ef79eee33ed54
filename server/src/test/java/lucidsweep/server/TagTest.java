package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Tags with what is searched of them, and groups against keywords. */
@ExtendWith(RunningApplication.class)
class TagTest {

    @Test
    void tagsAreListedWithWhatIsSearchedOfThem(Api api) {
        Shop tagged = new Shop(
                api, "id,title,tags\nB1,One,\"paddle, kayak gift\"\nB2,Two,\"paddle, kayak gifts\"\nB3,Three,paddle\n");
        tagged.post("/keywords", "{\"text\":\"keyword,volume\\nash paddle,900\\npaddles,40\\n\"}");
        JsonNode first = tagged.get("/tags").json().path("rows").path(0);
        assertThat(first.path("tag").asString()).isEqualTo("paddle");
        assertThat(first.path("items").asInt()).isEqualTo(3);
        assertThat(first.path("searches").asInt()).isEqualTo(40);
        assertThat(first.path("longer").path(0).path("phrase").asString()).isEqualTo("ash paddle");
        assertThat(tagged.get("/tags?kind=twins&sort=tag&desc=false")
                        .json()
                        .path("rows")
                        .findValuesAsString("tag"))
                .containsExactly("kayak gift", "kayak gifts");
        assertThat(tagged.get("/tags?kind=never-searched").json().path("total").asInt())
                .isEqualTo(2);
        assertThat(tagged.get("/tags?kind=odd").problem()).contains("expected one of");
        tagged.type("B1", "tags", "oar");
        assertThat(tagged.get("/tags").json().path("rows").path(0).path("items").asInt())
                .isEqualTo(2);
    }

    /** Gifts are searched for in December, beach days in July, oars all year. */
    @Test
    void tagsOfASeasonComeAndGo(Api api) {
        Shop tagged = new Shop(
                api,
                "id,title,description,tags\n"
                        + "B1,Oar,An oar for a beach day or as a kayak gift,\"lamp, beach day, oar\"\n"
                        + "B2,Lamp,A lamp,lamp\n");
        StringBuilder months = new StringBuilder("keyword,volume");
        for (int month = 0; month < 24; month++) months.append(",%d-%02d".formatted(2024 + month / 12, month % 12 + 1));
        String[] rows = {"kayak gift,300,12", "beach day,400,7", "oar,50,0"};
        for (String row : rows) {
            String[] cells = row.split(",");
            months.append("\\n").append(cells[0]).append(',').append(cells[1]);
            int peak = Integer.parseInt(cells[2]);
            for (int month = 0; month < 24; month++) months.append(month % 12 + 1 == peak ? ",900" : ",100");
        }
        tagged.post("/keywords", "{\"text\":\"" + months + "\"}");

        tagged.batch(Shop.edit("season-tags", "tags", "\"with\":\"11\""));
        assertThat(tagged.text("B1", "tags")).isEqualTo("lamp, oar, kayak gift");
        assertThat(tagged.text("B2", "tags")).isEqualTo("lamp");
        tagged.batch(Shop.edit("order-tags", "tags", "\"find\":null"));
        assertThat(tagged.text("B1", "tags")).isEqualTo("kayak gift, oar, lamp");
        tagged.batch(Shop.edit("season-tags", "tags", "\"with\":\"7\""));
        assertThat(tagged.text("B1", "tags")).as("and back again").isEqualTo("oar, lamp, beach day");
        assertThat(tagged.post("/previews", Shop.edit("season-tags", "tags", "\"with\":\"13\""))
                        .problem())
                .isEqualTo("expected a month from 1 to 12, got \"13\"");
    }

    @Test
    void tagsRiseFallAndHaveTheirMonths(Api api) {
        Shop tagged = new Shop(api, "id,title,tags\nB1,One,\"kayak gift, oar, lamp\"\nB2,Two,oar\n");
        StringBuilder months = new StringBuilder("keyword,volume");
        for (int month = 0; month < 24; month++)
            months.append(",%d-%02d".formatted(2024 + (month + 10) / 12, (month + 10) % 12 + 1));
        months.append("\\nkayak gifts,300");
        for (int month = 0; month < 24; month++) months.append(month % 12 == 1 ? ",900" : ",100");
        tagged.post("/keywords", "{\"text\":\"" + months + "\"}");
        StringBuilder demand = new StringBuilder("query,country,from,to,clicks,impressions,position\n");
        for (int week = 0; week < 26; week++) {
            LocalDate from = LocalDate.of(2026, 11, 16).minusWeeks(week);
            String period = from + "," + from.plusDays(6);
            demand.append("oars,gb,%s,4,%d,5\n".formatted(period, week < 13 ? 80 : 20))
                    .append("kayak gift,gb,%s,1,%d,5\n".formatted(period, week < 13 ? 10 : 60))
                    .append("kayak gifts,ie,%s,2,10,5\n".formatted(period))
                    .append("oar for a wall,gb,%s,2,30,5\n".formatted(period));
        }
        tagged.importDemand(demand.toString());
        assertThat(tagged.get("/tags?kind=rising").json().path("rows").findValuesAsString("tag"))
                .containsExactly("oar");
        assertThat(tagged.get("/tags?kind=falling").json().path("rows").findValuesAsString("tag"))
                .containsExactly("kayak gift");
        JsonNode seasonal =
                tagged.get("/tags?kind=seasonal").json().path("rows").get(0);
        assertThat(seasonal.path("tag").asString()).isEqualTo("kayak gift");
        assertThat(seasonal.path("peaks").asString()).isEqualTo("December");
        assertThat(seasonal.path("monthly")).hasSize(24);
        assertThat(seasonal.path("rate").asDouble()).isEqualTo(3 / 20.0);
        JsonNode oar = tagged.get("/tags?q=OAR").json().path("rows").get(0);
        assertThat(oar.path("longer").get(0).path("phrase").asString()).isEqualTo("oar for a wall");
        JsonNode window = tagged.get("/demand/window?like=kayak+gift").json();
        assertThat(window.path("countries").findValuesAsString("country")).containsExactlyInAnyOrder("gb", "ie");
        assertThat(window.path("now").path("clicks").asInt()).isEqualTo(39);
        assertThat(tagged.get("/tags.csv?kind=rising").body()).contains("oar,2,,,1040,52,0.05,rising,,oar for a wall");
        assertThat(tagged.get("/tags?count=-5&from=-3").json().path("rows")).isEmpty();
    }

    @Test
    void groupsAreHeldAgainstKeywords(Api api) {
        Shop grouped = new Shop(
                api,
                "id,title,section\nC1,Ash paddle,Paddles\nC2,Oak paddle,Paddles\nC3,Oar coat rack,Home\nC4,Wall lamp,Home\n");
        grouped.post(
                "/keywords",
                "{\"text\":\"keyword,volume\\nash paddle,90\\noak paddle,70\\noar coat rack,400\\ncoat rack,300\\nwall lamp,20\\nwall lamps of wood,\"}");
        JsonNode view = grouped.get("/groups").json();
        assertThat(view.path("groups").findValuesAsString("name")).containsExactly("Home", "Paddles");
        assertThat(view.path("groups").get(1).path("byNameVolume").asInt()).isEqualTo(160);
        assertThat(view.path("groups").get(1).path("thin").asString()).isEqualTo("only 2 items");
        assertThat(view.path("ungrouped").findValuesAsString("topic"))
                .as("Home is made for coat racks, most of all")
                .containsExactly("wall lamp");
    }
}
