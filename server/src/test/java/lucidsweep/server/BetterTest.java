package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.job.PropertyLine;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;

/** Demand changes what is proposed; what a person makes of it stays. */
@ExtendWith(RunningApplication.class)
class BetterTest {

    private static final String CSV = """
            id,title,description
            A1,Greenland paddle of ash,A greenland paddle for long days
            A2,Spray deck for a sea kayak,Keeps the water out of a sea kayak
            A3,Gift voucher,A voucher for somebody who paddles
            """;

    private Api api;
    private Shop shop;

    @BeforeEach
    void aShopWithDemand(Api api) {
        this.api = api;
        shop = new Shop(api, CSV);
        shop.post(
                "/keywords",
                "{\"text\":\"keyword,volume\\ngreenland paddle,90\\nspray deck,400\\nwooden oars,700\\n\"}");
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        for (int week = 0; week < 26; week++) {
            LocalDate from = LocalDate.of(2026, 5, 25).plusWeeks(week);
            String period = from + "," + from.plusDays(6);
            demand.append("A1,ash paddle,%s,9,600,%s\n".formatted(period, 30 - week * 0.7))
                    .append("A2,kayak deck,%s,4,90,6\n".formatted(period))
                    .append("A1,kayak deck,%s,1,60,14\n".formatted(period))
                    .append("nowhere,deck,%s,1,60,14\n".formatted(period));
        }
        shop.importDemand(demand.toString());
    }

    private JsonNode better() {
        return shop.get("/better").json().path("rows");
    }

    private List<List<String>> workbook(String path) {
        try (InputStream file = URI.create(api.base() + "/api/properties/" + shop.property() + path)
                        .toURL()
                        .openStream();
                ReadableWorkbook workbook = new ReadableWorkbook(file)) {
            return workbook.getFirstSheet().read().stream()
                    .map(row -> row.stream()
                            .map(cell -> cell == null ? "" : cell.getRawValue())
                            .toList())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private JsonNode keyword(String phrase) {
        return shop.get("/keywords?q=" + Api.encoded(phrase))
                .json()
                .path("rows")
                .path(0);
    }

    @Test
    void whatIsAcceptedIsTheTargetAndStaysThroughTheNextImports() {
        JsonNode row = better().path(0);
        assertThat(row.path("address").asString()).isEqualTo("A1");
        assertThat(row.path("aimed").asString()).isEqualTo("greenland paddle");
        assertThat(row.path("query").asString()).isEqualTo("ash paddle");
        assertThat(row.path("reason").asString()).contains("up from").contains("estimate: ");
        JsonNode accepted =
                shop.post("/better/accept", "[" + row.path("id") + "]").json();
        assertThat(accepted.path("items")).hasSize(1);
        assertThat(keyword("ash paddle").path("id"))
                .isEqualTo(accepted.path("keywords").get(0));
        for (int import_ = 0; import_ < 2; import_++) {
            assertThat(shop.row("A1").path("aim").path("keyword").asString()).isEqualTo("ash paddle");
            assertThat(shop.row("A1").path("aim").path("byHand").asBoolean()).isTrue();
            assertThat(better()).as("nothing better than it").isEmpty();
            shop.importFile(CSV.replace("Gift voucher", "Gift voucher " + import_));
        }
        assertThat(shop.post("/better/accept", "[" + row.path("id") + "]").status())
                .isEqualTo(409);
    }

    @Test
    void whatIsAcceptedIsAtTheDeskBeforeTheTargetsOfAllAreWorkedOut(ApplicationContext application) {
        JsonNode row = better().path(0);
        Object[] atTheDesk = new Object[1];
        // Whoever holds the property's line holds up the targets of all.
        application.getBean(PropertyLine.class).run(shop.property(), "a long import", () -> {
            String keyword = shop.post("/better/accept", "[" + row.path("id") + "]")
                    .json()
                    .path("keywords")
                    .path(0)
                    .asString();
            atTheDesk[0] = shop.get("/items?target=" + keyword).json().path("total");
        });
        assertThat(atTheDesk[0]).hasToString("1");
    }

    @Test
    void whatIsRefusedIsNotProposedAgain() {
        shop.post("/better/refuse", "[" + better().path(0).path("id") + "]");
        assertThat(better()).isEmpty();
        shop.importFile(CSV.replace("Gift voucher", "Gift vouchers"));
        assertThat(better()).isEmpty();
        assertThat(shop.get("/better.csv").body().lines()).hasSize(1);
    }

    @Test
    void theSummaryTellsWhatTheDemandIsMadeOf() {
        JsonNode summary = shop.get("/aim").json();
        assertThat(summary.path("rows").asInt()).isEqualTo(104);
        assertThat(summary.path("elsewhere").asInt()).isEqualTo(26);
        assertThat(summary.path("to").asString()).isEqualTo("2026-11-22");
        assertThat(summary.path("shared").path(0).path("query").asString()).isEqualTo("kayak deck");
        assertThat(summary.path("shared")
                        .path(0)
                        .path("items")
                        .path(0)
                        .path("address")
                        .asString())
                .isEqualTo("A2");
        assertThat(summary.path("pages").path(0).path("slug").asString()).isEqualTo("wooden-oars");
        assertThat(shop.get("/pages-to-add.csv").body())
                .contains("wooden oars,wooden oars,700,wooden-oars,Wooden oars");
        assertThat(workbook("/pages-to-add.xlsx"))
                .startsWith(List.of("topic", "keyword", "volume", "slug", "title", "description", "section"))
                .anyMatch(row -> row.subList(0, 4).equals(List.of("wooden oars", "wooden oars", "700", "wooden-oars")));
        assertThat(keyword("wooden oars").path("itemId").isNull()).isTrue();
    }

    @Test
    void theRunnersUpAreToldAndTopicsAndIntentsSetByHandStay() {
        JsonNode homes = shop.get("/keywords/" + keyword("spray deck").path("id") + "/homes")
                .json();
        assertThat(homes.path(0).path("address").asString()).isEqualTo("A2");
        String ids = "[" + keyword("spray deck").path("id") + ","
                + keyword("wooden oars").path("id") + "]";
        shop.post("/keywords/topic", "{\"selection\":{\"ids\":" + ids + "},\"topic\":\"on board\"}");
        shop.post("/keywords/intent", "{\"selection\":{\"ids\":" + ids + "},\"intent\":\"INFORMATIONAL\"}");
        shop.importFile(CSV);
        assertThat(shop.get("/keywords?topic=on+board&intent=informational")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(2);
        assertThat(keyword("spray deck").path("intentReason").asString()).isEqualTo("set by hand");
        shop.post("/keywords/topic", "{\"selection\":{\"ids\":" + ids + "},\"topic\":\" \"}");
        shop.post("/keywords/intent", "{\"selection\":{\"ids\":" + ids + "}}");
        assertThat(keyword("spray deck").path("topic").asString()).isEqualTo("spray deck");
        assertThat(keyword("spray deck").path("intent").asString()).isEqualTo("commercial");
        assertThat(shop.get("/keywords/999999/homes").status()).isEqualTo(404);
        assertThat(shop.get("/keywords?sort=colour").problem()).contains("cannot be sorted by");
        assertThat(shop.get("/keywords/choices")
                        .json()
                        .path("intents")
                        .path(0)
                        .path("keywords")
                        .asInt())
                .isPositive();
    }

    @Test
    void anAddressThatIsNoneIsRefusedAndASilentServiceIsSaid() {
        assertThat(shop.post("/demand/fetch", "{\"address\":\"reports\"}").problem())
                .contains("expected the address of a reporting service");
        assertThat(shop.put("/demand/schedule", "{\"every\":\"WEEK\",\"nextDay\":\"2030-01-01\"}")
                        .problem())
                .startsWith("Fetch demand once");
        Reply begun = shop.post("/demand/fetch", "{\"address\":\"https://127.0.0.1:9/demand\"}");
        JsonNode job = api.ended(begun.json().path("jobId").asLong());
        assertThat(job.path("state").asString()).isEqualTo("failed");
        assertThat(shop.get("/demand/source").json().path("address").asString())
                .isEqualTo("https://127.0.0.1:9/demand");
    }

    @Test
    void whatIsAnotherPropertysIsLeftAloneAndBadOrdersAreRefusedInWords(Api api) {
        Shop other = new Shop(api, CSV);
        String id = "[" + better().path(0).path("id") + "]";
        assertThat(other.post("/better/accept", id).status()).isEqualTo(409);
        assertThat(other.post("/better/refuse", id).status()).isEqualTo(409);
        assertThat(better()).isNotEmpty();
        String keyword = keyword("spray deck").path("id").toString();
        other.post("/keywords/topic", "{\"selection\":{\"ids\":[" + keyword + "]},\"topic\":\"stolen\"}");
        other.post("/keywords/intent", "{\"selection\":{\"ids\":[" + keyword + "]},\"intent\":\"NAVIGATIONAL\"}");
        shop.importFile(CSV);
        assertThat(keyword("spray deck").path("topic").asString()).isEqualTo("spray deck");
        assertThat(keyword("spray deck").path("intent").asString()).isEqualTo("commercial");
        assertThat(shop.post("/keywords/topic", "{\"selection\":{\"ids\":[" + keyword + "]}}")
                        .status())
                .isBetween(400, 422);
        assertThat(shop.post("/keywords/intent", "{\"intent\":\"COMMERCIAL\"}").status())
                .isBetween(400, 422);
        String endless = "{\"selection\":{\"ids\":[" + keyword + "]},\"topic\":\"" + "x".repeat(201) + "\"}";
        assertThat(shop.post("/keywords/topic", endless).problem()).contains("201 characters, at most 200");
        assertThat(shop.get("/better?count=-5").json().path("rows")).isEmpty();
    }

    @Test
    void aBrandThatIsGivenLaterCountsFromThenOn(Api api) {
        long id = api.get("/api/properties/" + shop.property())
                .json()
                .path("clientId")
                .asLong();
        String client = "{\"name\":\"Somebody\",\"brand\":\"Ash Paddle\",\"places\":\"\"}";
        assertThat(api.method("PUT", "/api/clients/" + id, client).status()).isEqualTo(200);
        shop.post("/targets/free", "{\"ids\":[" + shop.itemId("A3") + "]}");
        assertThat(better()).as("the brand's queries are no better keywords").isEmpty();
        assertThat(api.method("PUT", "/api/clients/" + id, client.replace("Ash Paddle", ""))
                        .status())
                .isEqualTo(200);
    }

    @Test
    void targetsSetWhileOthersAreWorkedOutStandAndNothingFails() throws InterruptedException {
        long keyword = keyword("wooden oars").path("id").asLong();
        long item = shop.itemId("A3");
        List<Integer> answers = Collections.synchronizedList(new ArrayList<>());
        List<Thread> threads = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            int number = i;
            threads.add(new Thread(() -> {
                for (int round = 0; round < 6; round++) {
                    Reply answer = number % 2 == 0
                            ? shop.post(
                                    "/targets",
                                    "{\"selection\":{\"ids\":[" + item + "]},\"keywordId\":" + keyword + "}")
                            : shop.post("/keywords", "{\"text\":\"oar " + number + " of " + round + "\"}");
                    answers.add(answer.status());
                }
            }));
        }
        threads.forEach(Thread::start);
        for (Thread thread : threads) thread.join();
        assertThat(answers).hasSize(24).containsOnly(200);
        assertThat(shop.row("A3").path("aim").path("keyword").asString()).isEqualTo("wooden oars");
        assertThat(shop.row("A3").path("aim").path("byHand").asBoolean()).isTrue();
    }
}
