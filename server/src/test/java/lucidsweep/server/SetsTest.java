package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.triage.SetsFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;

/** Named sets of items through the API: who belongs to them, filters by them, standards that hang on them. */
@ExtendWith(RunningApplication.class)
class SetsTest {

    private static final String SHORT = "Rope %d";
    private static final String LONG = "Rope number %d, laid by hand of tarred hemp in the long shed by the quay";

    private static Shop shop(Api api) {
        return new Shop(api, csv(List.of()));
    }

    /** Twelve ropes and eight kits, every second with a long title, and some more of them. */
    private static String csv(List<Integer> longer) {
        StringBuilder csv = new StringBuilder("listing id,title,tags,price,section\n");
        for (int i = 0; i < 20; i++) {
            String section = i < 12 ? "Ropes" : "Kits";
            String title = (i % 2 == 0 && !longer.contains(i) ? SHORT : LONG).formatted(i);
            csv.append(
                    "R%d,\"%s\",\"%s\",%d.00,%s%n".formatted(i, title, i % 4 == 0 ? "gift, rope" : "rope", i, section));
        }
        return csv.toString();
    }

    @Test
    void whoBelongsToASetIsToldByItsConditionsAndNewItemsDoByThemselves(Api api) {
        Shop shop = shop(api);
        JsonNode preview = shop.post("/sets/preview", "{\"sections\":[\"Kits\"],\"price\":{\"min\":15}}")
                .json();
        assertThat(preview.path("items").asInt()).isEqualTo(5);
        assertThat(preview.path("examples").get(0).asString()).isEqualTo("R15");

        long kits = shop.post("/sets", "{\"name\":\"Kits\",\"conditions\":{\"sections\":[\"Kits\"]}}")
                .json()
                .path("id")
                .asLong();
        long gifts = shop.post(
                        "/sets", "{\"name\":\"Gift kits\",\"conditions\":{\"tag\":\"gift\",\"within\":\"Kits\"}}")
                .json()
                .path("id")
                .asLong();
        assertThat(addresses(shop, "/items?set=" + gifts)).containsExactly("R12", "R16");
        assertThat(addresses(shop, "/items?set=" + kits + "&q=number")).containsExactly("R13", "R15", "R17", "R19");

        shop.importFile("listing id,title,tags,price,section\nR90,Knot kit,gift,12.00,Kits\n");
        assertThat(addresses(shop, "/items?set=" + gifts)).contains("R90");

        assertThat(api.method(
                                "PUT",
                                "/api/sets/" + kits,
                                "{\"name\":\"All kits\",\"conditions\":{\"sections\":[\"Kits\"]}}")
                        .status())
                .isEqualTo(200);
        assertThat(addresses(shop, "/items?set=" + gifts))
                .as("the set that lies within goes with the name")
                .contains("R90");
        Reply circle = api.method(
                "PUT", "/api/sets/" + kits, "{\"name\":\"All kits\",\"conditions\":{\"within\":\"Gift kits\"}}");
        assertThat(circle.status()).isEqualTo(422);
        assertThat(circle.body()).contains("sets within each other: All kits → Gift kits → All kits");
        assertThat(api.method("DELETE", "/api/sets/" + kits, "").status()).isEqualTo(409);
        assertThat(api.method("DELETE", "/api/sets/" + gifts, "").status()).isEqualTo(200);
        assertThat(shop.get("/sets").json()).hasSize(1);
        api.post("/api/sets/" + gifts + "/restore", "");
        assertThat(shop.get("/sets").json()).hasSize(2);
        api.method("DELETE", "/api/sets/" + gifts, "");
        api.method("DELETE", "/api/sets/" + kits, "");
        Reply alone = api.post("/api/sets/" + gifts + "/restore", "");
        assertThat(alone.status()).as("the set that it lies within is gone").isEqualTo(422);
        assertThat(alone.body()).contains("there is no set “All kits”");
        api.post("/api/sets/" + kits + "/restore", "");
        api.post("/api/sets/" + gifts + "/restore", "");
        assertThat(shop.get("/sets").json()).hasSize(2);

        Shop other = shop(api);
        assertThat(other.get("/items?set=" + kits).status()).isEqualTo(404);
        assertThat(shop.post("/sets", "{\"name\":\" \",\"conditions\":{}}").status())
                .isEqualTo(422);
        assertThat(shop.post("/sets", "{\"name\":\"All kits\",\"conditions\":{}}")
                        .status())
                .isEqualTo(409);
    }

    @Test
    void theStandardOfASetGoesBeforeThePropertysAndFollowsItElsewhere(Api api) {
        Shop shop = shop(api);
        long ropes = shop.post("/sets", "{\"name\":\"Ropes\",\"conditions\":{\"sections\":[\"Ropes\"]}}")
                .json()
                .path("id")
                .asLong();
        assertThat(tooLong(shop)).isEmpty();
        JsonNode preview = api.post("/api/sets/" + ropes + "/standard/preview", "{\"title\":{\"maxChars\":60}}")
                .json();
        assertThat(preview.path("added").asInt()).isEqualTo(6);
        assertThat(preview.path("removed").asInt()).isZero();

        JsonNode whole = api.get("/api/sets/" + ropes + "/standard").json();
        String form = whole.path("set").toString().replace("\"maxChars\":140", "\"maxChars\":60");
        await(api, api.method("PUT", "/api/sets/" + ropes + "/standard", form));
        assertThat(tooLong(shop)).containsExactly("R1", "R11", "R3", "R5", "R7", "R9");
        JsonNode row = shop.get("/items?q=R11").json().path("rows").get(0);
        assertThat(row.path("heldTo").toString()).isEqualTo("[\"Ropes\"]");
        assertThat(row.path("title").path("fit").path("says").asString()).isNotEmpty();

        shop.type("R2", "title", LONG.formatted(2));
        shop.type("R3", "title", "Short rope");
        assertThat(tooLong(shop)).as("after edits").containsExactly("R1", "R11", "R2", "R5", "R7", "R9");

        // What the set does not say follows the property.
        await(
                api,
                api.method(
                        "PUT",
                        "/api/properties/" + shop.property() + "/standard",
                        "{\"title\":{\"maxChars\":40,\"minPx\":90}}"));
        assertThat(api.get("/api/sets/" + ropes + "/standard")
                        .json()
                        .path("set")
                        .path("title")
                        .path("minPx")
                        .asInt())
                .isEqualTo(90);
        assertThat(tooLong(shop)).containsExactly("R1", "R11", "R13", "R15", "R17", "R19", "R2", "R5", "R7", "R9");

        String found = "{\"name\":\"Ropes\",\"conditions\":{\"found\":{\"field\":\"title\",\"check\":\"too-long\"}}}";
        Reply onFindings = api.method("PUT", "/api/sets/" + ropes, found);
        assertThat(onFindings.status())
                .as("a set with a standard cannot be told by what follows from it")
                .isEqualTo(422);
        assertThat(onFindings.body()).contains("“Ropes” is told by findings");
        await(api, api.method("DELETE", "/api/sets/" + ropes + "/standard", ""));
        assertThat(shop.get("/items?q=R11").json().path("rows").get(0).path("heldTo"))
                .isEmpty();

        long late = shop.post(
                        "/sets",
                        "{\"name\":\"Long\",\"conditions\":{\"found\":{\"field\":\"title\",\"check\":\"too-long\"}}}")
                .json()
                .path("id")
                .asLong();
        Reply refused = api.method("PUT", "/api/sets/" + late + "/standard", "{\"title\":{\"maxChars\":40}}");
        assertThat(refused.status()).isEqualTo(200);
        refused = api.method("PUT", "/api/sets/" + late + "/standard", "{\"title\":{\"maxChars\":50}}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.body()).contains("is told by findings");
    }

    @Test
    void whatIsComposedCutAndTypedKeepsToTheLimitsOfTheItemsSets(Api api) {
        Shop shop = shop(api);
        long ropes = shop.post("/sets", "{\"name\":\"Ropes\",\"conditions\":{\"sections\":[\"Ropes\"]}}")
                .json()
                .path("id")
                .asLong();
        await(api, api.method("PUT", "/api/sets/" + ropes + "/standard", "{\"title\":{\"maxChars\":40}}"));
        String recipe =
                "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"TITLE\",\"text\":\"\"}],\"before\":\"\",\"letterCase\":\"AS_IS\",\"rank\":1,\"shortenable\":true}]}";
        for (String edit : List.of(Shop.edit("recipe", "title", recipe), Shop.edit("cut", "title", ""))) {
            JsonNode preview = shop.preview(edit);
            assertThat(preview.path("changes").asInt()).as(edit).isEqualTo(6);
            assertThat(preview.path("fitting").asInt()).as(edit).isEqualTo(6);
            JsonNode batch = shop.batch(edit);
            for (int i = 1; i < 12; i += 2)
                assertThat(shop.text("R" + i, "title"))
                        .hasSizeLessThanOrEqualTo(40)
                        .startsWith("Rope number " + i);
            assertThat(shop.text("R13", "title")).isEqualTo(LONG.formatted(13));
            api.post("/api/batches/" + batch.path("id") + "/undo", "");
        }
        String typed = "{\"title\":\"" + LONG.formatted(1) + "\",\"itemId\":%s}";
        assertThat(looks(shop, typed.formatted(shop.itemId("R1")))).isEqualTo("31 characters over");
        assertThat(looks(shop, typed.formatted(shop.itemId("R13")))).isEmpty();
        assertThat(looks(shop, typed.formatted("null"))).isEmpty();
        assertThat(shop.post("/looks", typed.formatted(shop(api).itemId("R1"))).status())
                .isEqualTo(404);
    }

    @Test
    void setsWithTheirStandardsAreTakenOverByAnotherPropertyAllOrNone(Api api, ApplicationContext application) {
        Shop first = shop(api);
        first.post("/sets", "{\"name\":\"Gift kits\",\"conditions\":{\"tag\":\"gift\"}}");
        long kits = first.post("/sets", "{\"name\":\"Kits\",\"conditions\":{\"sections\":[\"Kits\"]}}")
                .json()
                .path("id")
                .asLong();
        long gifts = first.get("/sets").json().get(0).path("id").asLong();
        String within = "{\"name\":\"Gift kits\",\"conditions\":{\"tag\":\"gift\",\"within\":\"Kits\"}}";
        api.method("PUT", "/api/sets/" + gifts, within);
        api.method("PUT", "/api/sets/" + kits + "/standard", "{\"title\":{\"maxChars\":30}}");
        String file = first.get("/sets.json").body();

        Shop other = shop(api);
        assertThat(other.post("/sets/file", file).json().path("sets").asInt()).isEqualTo(2);
        assertThat(other.get("/sets.json").body()).isEqualTo(file);
        JsonNode sets = other.get("/sets").json();
        assertThat(sets.get(0).path("name").asString()).as("the order is kept").isEqualTo("Gift kits");
        assertThat(addresses(other, "/items?set=" + sets.get(0).path("id"))).containsExactly("R12", "R16");
        for (JsonNode job : other.get("/jobs").json()) api.ended(job.path("id").asLong());
        assertThat(other.checks("R13")).contains("title too-long");
        assertThat(other.checks("R3")).doesNotContain("title too-long");

        String half = "[{\"name\":\"New\",\"conditions\":{\"tag\":\"x\"}},{\"name\":\"Kits\",\"conditions\":{}}]";
        assertThat(other.post("/sets/file", half).status()).isEqualTo(409);
        assertThat(other.get("/sets.json").body()).isEqualTo(file);
        SetsFile files = application.getBean(SetsFile.class);
        files.replace(other.property(), SetsFile.read(file));
        assertThat(other.get("/sets").json()).as("the same sets stay").isEqualTo(sets);
        String twice = half.replace("\"Kits\"", "\"New\"");
        assertThatThrownBy(() -> files.replace(other.property(), SetsFile.read(twice)))
                .hasMessage("There is a set “New” already.");
        assertThat(other.get("/sets").json()).as("those of before are back").isEqualTo(sets);
        assertThat(other.post("/sets/file", "[{\"name\":\"A\",\"conditions\":{\"within\":\"A\"}}]")
                        .body())
                .contains("in a circle: [A]");
        assertThat(other.post("/sets/file", "[{\"name\":\"A\",\"conditions\":{},\"colour\":1}]")
                        .body())
                .contains("set 1: it has a part \\\"colour\\\"");
        assertThat(other.post("/sets/file", "[{\"name\":\"A\",\"conditions\":{\"tags\":\"x\"}}]")
                        .body())
                .contains("set 1: conditions: ");
    }

    @Test
    void whatIsInPlaceIsSaidOfEachSetNowAndAfterEachSweep(Api api) {
        Shop shop = shop(api);
        long ropes = shop.post("/sets", "{\"name\":\"Ropes\",\"conditions\":{\"sections\":[\"Ropes\"]}}")
                .json()
                .path("id")
                .asLong();
        assertThat(tooShort(shop, ropes)).containsExactly(12, 6);
        assertThat(tooShort(shop, 0)).containsExactly(20, 10, 10);
        // The sweep changes one rope and one kit.
        shop.importFile(csv(List.of(0, 12)));
        assertThat(tooShort(shop, ropes)).containsExactly(12, 5, 5);
        shop.type("R2", "title", LONG.formatted(2));
        assertThat(tooShort(shop, ropes)).containsExactly(12, 4, 5);
        assertThat(tooShort(shop, 0)).containsExactly(20, 7, 10, 8);

        JsonNode standard = api.get("/api/sets/" + ropes + "/standard").json();
        await(api, api.method("PUT", "/api/sets/" + ropes + "/standard", "{\"off\":[\"title too-short\"]}"));
        assertThat(tooShort(shop, ropes))
                .as("a check that is off in " + standard)
                .containsExactly(12);
        assertThat(shop(api).get("/checklist?set=" + ropes).status()).isEqualTo(404);
    }

    /** How many items a checklist is about, how many of their titles are too short, and how many were after each sweep. */
    private static List<Integer> tooShort(Shop shop, long set) {
        JsonNode list = shop.get("/checklist" + (set == 0 ? "" : "?set=" + set)).json();
        List<Integer> found = new ArrayList<>(List.of(list.path("indexable").asInt()));
        for (JsonNode line : list.path("checks")) {
            if (!line.path("field").asString().equals("title")
                    || !line.path("check").asString().equals("too-short")) continue;
            found.add(line.path("items").asInt());
            line.path("before").forEach(items -> found.add(items.asInt()));
        }
        return found;
    }

    @Test
    void itemsAreFilteredByTheirAge(Api api) {
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        Shop shop = new Shop(
                api,
                "listing id,title,tags,published,last edited\nY,Young rope,rope,%s,\nM,Middling rope,rope,%s,%s\nO,Old rope,,%s,%s\nN,Rope of no date,,,%n"
                        .formatted(
                                today.minusDays(3),
                                today.minusDays(100),
                                today.minusDays(90),
                                today.minusDays(500),
                                today.minusDays(10)));
        assertThat(addresses(shop, "/items?having=changed+..61")).containsExactly("O");
        assertThat(addresses(shop, "/items?having=published+..61")).containsExactly("Y");
        assertThat(addresses(shop, "/items?having=published+..365&sort=title")).containsExactly("M", "Y");
        assertThat(addresses(shop, "/items?having=published+100..")).containsExactly("M", "O");
        long tagged = shop.post("/sets", "{\"name\":\"Tagged\",\"conditions\":{\"tag\":\"rope\"}}")
                .json()
                .path("id")
                .asLong();
        assertThat(addresses(shop, "/items?having=published+4..500&set=" + tagged))
                .containsExactly("M");
        assertThat(shop.post(
                                "/keeps",
                                "{\"selection\":{\"filter\":{\"having\":{\"kind\":\"PUBLISHED\",\"value\":\"366..\"}}},\"fields\":[\"title\"],\"reason\":\"old\"}")
                        .json()
                        .path("fields")
                        .asInt())
                .isEqualTo(1);
        Reply bad = shop.get("/items?having=young");
        assertThat(bad.status()).isEqualTo(422);
        assertThat(bad.body()).contains("having: expected");
    }

    private static String looks(Shop shop, String typed) {
        Reply looks = shop.post("/looks", typed);
        assertThat(looks.status()).as(looks.body()).isEqualTo(200);
        return looks.json().path("title").path("fit").path("says").asString();
    }

    private static void await(Api api, Reply changed) {
        assertThat(changed.status()).as(changed.body()).isEqualTo(200);
        api.ended(changed.json().path("jobId").asLong());
    }

    private static List<String> tooLong(Shop shop) {
        return addresses(shop, "/items?field=title&check=too-long");
    }

    private static List<String> addresses(Shop shop, String path) {
        List<String> found = new ArrayList<>();
        for (JsonNode row : shop.get(path).json().path("rows"))
            found.add(row.path("address").asString());
        return found;
    }
}
