package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.triage.Exemptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;

/** What a person lets stand: single checks of items, and whole causes. */
@ExtendWith(RunningApplication.class)
class ExemptionTest {

    /** Ten bells with one title, and one with a short title of its own. */
    private static Shop shop(Api api) {
        StringBuilder csv = new StringBuilder("listing id,title,description\n");
        for (int i = 0; i < 10; i++) csv.append("B").append(i).append(",Bell rope of hemp for a sloop or ketch,\n");
        return new Shop(api, csv + "C,Bell,\n");
    }

    @Test
    void anItemNeedNotPassACheckWhileItsOtherFindingsStay(Api api) {
        Shop shop = shop(api);
        assertThat(shop.checks("C")).contains("title too-short", "description missing");
        assertThat(exempt(shop, "C", "title", "too-short", "The client’s own word", null)
                        .json()
                        .path("items")
                        .asInt())
                .isEqualTo(1);
        assertThat(shop.checks("C")).doesNotContain("title too-short").contains("description missing");
        shop.type("C", "title", "Oar");
        assertThat(shop.checks("C")).as("whatever the text").doesNotContain("title too-short");
        JsonNode held = shop.getItem("C", "/exemptions").get(0);
        assertThat(held.path("reason").asString()).isEqualTo("The client’s own word");
        assertThat(held.path("untilDay").isNull()).isTrue();

        assertThat(shop.get("/exemptions.csv").body())
                .isEqualTo("address,field,check,reason,until\r\nC,title,too-short,The client’s own word,\r\n");

        shop.post("/exemptions/end", order(shop, "C", "title", "too-short", ""));
        assertThat(shop.checks("C")).contains("title too-short");
        assertThat(shop.getItem("C", "/exemptions")).isEmpty();

        Reply noReason = exempt(shop, "C", "title", "too-short", " ", null);
        assertThat(noReason.status()).isEqualTo(422);
        assertThat(exempt(shop, "C", "title", "too-loud", "x", null).body())
                .contains("there is no check too-loud of title");
        assertThat(exempt(shop, "C", "title", "too-short", "x", LocalDate.now()).body())
                .contains("expected a day to come");
    }

    /** What is let stand is found by no filter any more, so the undo goes by the moment. */
    @Test
    void allFindingsOfACheckAreLetStandAndThatIsUndone(Api api) {
        Shop shop = shop(api);
        exempt(shop, "C", "title", "too-short", "The client’s own word", null);
        String check = "\"field\":\"title\",\"check\":\"duplicate\"";
        String all = "{\"selection\":{\"filter\":{" + check + "}}," + check + ",\"reason\":\"The old bells\"}";
        JsonNode done = shop.post("/exemptions", all).json();
        assertThat(done.path("items").asInt()).isEqualTo(10);
        assertThat(shop.checks("B0")).doesNotContain("title duplicate");
        String at = "{\"at\":" + done.path("at") + "," + check + "}";
        assertThat(shop.post("/exemptions/end", at).json().path("items").asInt())
                .isEqualTo(10);
        assertThat(shop.checks("B0")).contains("title duplicate");
        assertThat(shop.checks("C")).as("what was let stand before still is").doesNotContain("title too-short");
        assertThat(shop.post("/exemptions/end", "{" + check + "}").status()).isEqualTo(422);
    }

    @Test
    void whatIsExemptUntilADayComesBackOnIt(Api api, ApplicationContext application) {
        Exemptions exempting = application.getBean(Exemptions.class);
        Shop shop = shop(api);
        LocalDate day = LocalDate.now().plusDays(90);
        exempt(shop, "C", "title", "too-short", "Until the new shop opens", day);
        exempting.comeBack(day.minusDays(1));
        assertThat(shop.checks("C")).doesNotContain("title too-short");
        exempting.comeBack(day);
        assertThat(shop.checks("C")).contains("title too-short");
        assertThat(shop.getItem("C", "/exemptions").get(0).path("cameBack").asBoolean())
                .isTrue();
    }

    @Test
    void aCauseKeepsItsNameAndIsSetAsideUntilAMonth(Api api) {
        Shop shop = shop(api);
        JsonNode cause = cause(shop, "duplicate");
        assertThat(cause.path("items").asInt()).isEqualTo(10);
        note(shop, cause, "\"name\":\"The old bells\"");
        assertThat(cause(shop, "duplicate").path("says").asString()).isEqualTo("The old bells");
        shop.type("B0", "title", "Bell rope of sisal for a small boat");
        assertThat(cause(shop, "duplicate").path("says").asString())
                .as("of nine now")
                .isEqualTo("The old bells");

        assertThat(note(shop, cause, "\"aside\":true,\"reason\":\" \"").status())
                .isEqualTo(422);
        assertThat(note(shop, cause, aside("2027-13")).status()).isEqualTo(422);
        note(shop, cause, aside("2099-01"));
        assertThat(cause(shop, "duplicate").isMissingNode()).isTrue();
        JsonNode aside = shop.get("/causes/aside").json().get(0);
        assertThat(aside.path("cause").path("says").asString())
                .as("one that is set aside keeps its name")
                .isEqualTo("The old bells");
        assertThat(aside.path("reason").asString()).isEqualTo("Sold out");

        note(shop, cause, "\"name\":\"Bells\"");
        assertThat(shop.get("/causes/aside").json().get(0).path("reason").asString())
                .as("another name leaves it aside")
                .isEqualTo("Sold out");
        note(shop, cause, aside("2020-01"));
        assertThat(cause(shop, "duplicate").path("items").asInt())
                .as("its month has come")
                .isEqualTo(9);
        note(shop, cause, aside(""));
        note(shop, cause, "\"aside\":false");
        assertThat(cause(shop, "duplicate").path("says").asString())
                .as("brought back under its name")
                .isEqualTo("Bells");
        note(shop, cause, "\"name\":\"\"");
        assertThat(cause(shop, "duplicate").path("says").asString()).startsWith("9 items share one title");
    }

    @Test
    void causesAreMergedUnderANameAndPartedAgain(Api api) {
        Shop shop = shop(api);
        List<JsonNode> before =
                List.copyOf(shop.get("/causes").json().valueStream().toList());
        List<JsonNode> two = List.of(cause(shop, "duplicate"), cause(shop, "too-short"));
        int findings =
                two.stream().mapToInt(cause -> cause.path("items").asInt()).sum();
        note(shop, two, "\"merged\":\"Bells and whistles\"");

        JsonNode merged = shop.get("/causes")
                .json()
                .valueStream()
                .filter(cause -> !cause.path("parts").isEmpty())
                .findFirst()
                .orElseThrow();
        assertThat(merged.path("says").asString()).isEqualTo("Bells and whistles");
        assertThat(merged.path("items").asInt()).isEqualTo(findings);
        assertThat(merged.path("parts").valueStream().toList()).containsExactlyInAnyOrderElementsOf(two);
        assertThat(shop.get("/causes").json()).hasSize(before.size() - 1);
        assertThat(shop.get("/causes.csv").body()).as("the file has each").doesNotContain("Bells and whistles");

        note(shop, two, "\"aside\":true,\"reason\":\"Sold out\"");
        assertThat(shop.get("/causes").json()).hasSize(before.size() - 2);
        note(shop, two, "\"aside\":false");
        note(shop, two, "\"merged\":\"\"");
        assertThat(shop.get("/causes").json().valueStream().toList()).isEqualTo(before);
        assertThat(shop.put("/causes/note", "{\"causes\":[],\"merged\":\"x\"}").status())
                .isEqualTo(422);
    }

    private static String aside(String untilMonth) {
        return "\"aside\":true,\"reason\":\"Sold out\",\"untilMonth\":\"" + untilMonth + "\"";
    }

    private static Reply exempt(Shop shop, String id, String field, String check, String reason, LocalDate until) {
        String more = ",\"reason\":\"" + reason + "\"" + (until == null ? "" : ",\"until\":\"" + until + "\"");
        return shop.post("/exemptions", order(shop, id, field, check, more));
    }

    private static String order(Shop shop, String id, String field, String check, String more) {
        return "{\"selection\":" + Shop.selection(shop.itemId(id)) + ",\"field\":\"" + field + "\",\"check\":\"" + check
                + "\"" + more + "}";
    }

    private static Reply note(Shop shop, JsonNode cause, String words) {
        return note(shop, List.of(cause), words);
    }

    private static Reply note(Shop shop, List<JsonNode> causes, String words) {
        String keys = causes.stream()
                .map(cause -> "{\"field\":%s,\"check\":%s,\"shared\":%s,\"section\":%s}"
                        .formatted(
                                cause.path("field"), cause.path("check"), cause.path("shared"), cause.path("section")))
                .collect(Collectors.joining(","));
        return shop.put("/causes/note", "{\"causes\":[" + keys + "]," + words + "}");
    }

    private static JsonNode cause(Shop shop, String check) {
        List<JsonNode> found = new ArrayList<>();
        JsonNode causes = shop.get("/causes").json();
        for (JsonNode cause : causes) if (cause.path("check").asString().equals(check)) found.add(cause);
        return found.isEmpty() ? causes.path(-1) : found.get(0);
    }
}
