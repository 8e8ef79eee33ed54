package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.TreeMap;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** A standard is looked at, tried, set and set back; what was tried is what comes. */
@ExtendWith(RunningApplication.class)
class StandardTest {

    private static Shop shop(Api api) {
        StringBuilder listings = new StringBuilder("listing id,title,description,tags\n");
        for (int i = 0; i < 120; i++) {
            String name = Integer.toString(i * 7919 + 131_071, 36);
            listings.append(
                    "S%d,\"Oar %s%s\",\"Oar %s, of ash, oiled and signed by the maker in the long shed\",\"oar\"%n"
                            .formatted(i, name, " and a second one".repeat(i % 7), name));
        }
        return new Shop(api, listings.toString());
    }

    private static Map<String, Integer> found(Shop shop) {
        Map<String, Integer> found = new TreeMap<>();
        for (JsonNode check : shop.get("/findings/checks").json()) {
            found.put(
                    check.path("field").asString() + " " + check.path("check").asString(),
                    check.path("items").asInt());
        }
        return found;
    }

    private static void await(Api api, Reply changed) {
        assertThat(changed.status()).as(changed.body()).isEqualTo(200);
        assertThat(api.ended(changed.json().path("jobId").asLong())
                        .path("state")
                        .asString())
                .isEqualTo("done");
    }

    private static Reply put(Api api, Shop shop, String form) {
        return api.method("PUT", "/api/properties/" + shop.property() + "/standard", form);
    }

    @Test
    void whatIsTriedIsWhatComesAndTheOldStandardBringsTheOldFindingsBack(Api api) {
        Shop shop = shop(api);
        Map<String, Integer> before = found(shop);
        JsonNode standard = shop.get("/standard").json();
        assertThat(standard.path("own").asBoolean()).isFalse();
        assertThat(standard.path("set")).isEqualTo(standard.path("ready"));
        String form = "{\"title\":{\"desktopPx\":600,\"mobilePx\":600,\"maxChars\":60,\"minPx\":100},"
                + "\"off\":[\"tags budget-unused\"]}";

        JsonNode preview = shop.post("/standard/preview", form).json();
        assertThat(preview.path("items").asInt()).isEqualTo(120);
        JsonNode first = shop.post("/standard/preview?most=40", form).json();
        assertThat(first.path("items").asInt()).isBetween(20, 40);
        assertThat(first.path("all").asInt()).isEqualTo(120);
        assertThat(shop.post("/standard/preview?most=0", form).problem()).contains("expected 1 to 10000 items, got 0");
        Map<String, Integer> wanted = new TreeMap<>(before);
        for (JsonNode line : preview.path("checks")) {
            String check =
                    line.path("field").asString() + " " + line.path("check").asString();
            assertThat(line.path("before").asInt()).as(check).isEqualTo(before.getOrDefault(check, 0));
            if (line.path("after").asInt() == 0) wanted.remove(check);
            else wanted.put(check, line.path("after").asInt());
        }
        assertThat(found(shop)).as("trying changes nothing").isEqualTo(before);
        assertThat(wanted).containsKey("title too-long").doesNotContainKey("tags budget-unused");

        Reply changed = put(api, shop, form);
        await(api, changed);
        assertThat(found(shop)).isEqualTo(wanted);
        assertThat(shop.get("/standard").json().path("own").asBoolean()).isTrue();
        assertThat(shop.get("/items?field=title&check=too-long")
                        .json()
                        .path("rows")
                        .get(0)
                        .path("title")
                        .path("fit")
                        .path("desktopLimit")
                        .asDouble())
                .isEqualTo(600);

        await(api, put(api, shop, changed.json().path("before").toString()));
        assertThat(found(shop)).isEqualTo(before);
        await(api, api.method("DELETE", "/api/properties/" + shop.property() + "/standard", ""));
        assertThat(shop.get("/standard").json().path("own").asBoolean()).isFalse();
        assertThat(found(shop)).isEqualTo(before);
    }

    @Test
    void whatCannotBeUsedIsRefusedInWords(Api api) {
        Shop shop = new Shop(api, "listing id,title\nA,An oar\n");
        Reply refused = put(api, shop, "{\"title\":{\"maxChars\":-1},\"off\":[\"title too-loud\"]}");
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.json().path("detail").asString())
                .isEqualTo("title.maxChars: expected a number from 1 to 100000, got -1; "
                        + "off: there is no check \"title too-loud\"");
        Reply unknown = put(api, shop, "{\"titles\":{}}");
        assertThat(unknown.status()).isEqualTo(422);
        assertThat(unknown.json().path("detail").asString()).startsWith("a standard has no part \"titles\"");
        assertThat(put(api, shop, "{\"title\":{\"maxChars\":\"many\"}}").status())
                .isEqualTo(422);
    }
}
