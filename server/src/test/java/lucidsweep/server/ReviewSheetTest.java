package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A client decides about drafts in a file of its own, and what comes back is taken in. */
@ExtendWith(RunningApplication.class)
class ReviewSheetTest {

    private static final Pattern DATA =
            Pattern.compile("<script type=\"application/json\" id=\"sheet\">(.*?)</script>");

    @TempDir
    private Path folder;

    private Api api;
    private Shop shop;

    @BeforeEach
    void draftedShop(Api api) {
        this.api = api;
        shop = new Shop(
                api,
                "id,title,description,section\nA1,Ash paddle,Carved,Paddles\nA2,Cedar oar,Turned,Oars\nA3,Spray deck,Sewn,Oars\nA4,Dry bag,Glued,Oars\n");
        type("A1", "A paddle of ash </script><script>alert(1)</script>");
        type("A2", "An oar of cedar");
        type("A3", "A deck against spray");
    }

    private void type(String id, String title) {
        Reply typed = shop.post(
                "/cells", "[{\"itemId\":" + shop.itemId(id) + ",\"field\":\"title\",\"text\":" + quoted(title) + "}]");
        assertThat(typed.status()).as(typed.body()).isEqualTo(200);
    }

    private static String quoted(String text) {
        return new JsonMapper().writeValueAsString(text);
    }

    private JsonNode sheet() {
        Matcher data = DATA.matcher(
                shop.post("/review-sheets/sheet.html", "{\"selection\":{}}").body());
        assertThat(data.find()).isTrue();
        return new JsonMapper().readTree(data.group(1));
    }

    private static String fieldOf(JsonNode sheet, String after) {
        for (JsonNode text : sheet.path("texts"))
            if (text.path("after").asString().startsWith(after))
                return text.path("id").asString();
        throw new AssertionError("there is no “" + after + "” in " + sheet);
    }

    private static String decided(String id, String decision, String more) {
        return "{\"id\":\"" + id + "\",\"decision\":\"" + decision + "\"" + more + "}";
    }

    private Reply look(long property, String sheet, String... decisions) {
        String file = "{\"sheet\":\"" + sheet + "\",\"decisions\":[" + String.join(",", decisions) + "]}";
        return api.upload("/api/properties/" + property + "/review-sheets", "decided.json", file.getBytes(UTF_8));
    }

    private JsonNode take(JsonNode review, boolean insist) {
        return shop.post("/review-sheets/" + review.path("token").asString() + "/take", "{\"insist\":" + insist + "}")
                .json();
    }

    private String state(String id) {
        return shop.row(id).path("title").path("state").asString();
    }

    @Test
    void aSheetHoldsTheTextsInQuestionAndRunsNothingOfThem() {
        String page =
                shop.post("/review-sheets/sheet.html", "{\"selection\":{}}").body();
        assertThat(page).contains("script-src 'sha256-").contains("default-src 'none'");
        assertThat(page.split("<script", -1)).as("its data and its own script").hasSize(3);
        JsonNode sheet = sheet();
        assertThat(sheet.path("texts")
                        .valueStream()
                        .map(text -> text.path("before").asString()))
                .as("nothing of what is not drafted")
                .containsExactly("Ash paddle", "Cedar oar", "Spray deck");
        assertThat(sheet.path("texts").get(0).path("after").asString()).endsWith("alert(1)</script>");
        assertThat(sheet.path("texts").get(1).path("drawn").path("width").asDouble())
                .isPositive();
        assertThat(shop.post("/review-sheets/sheet.html", "{\"selection\":" + Shop.selection(shop.itemId("A4")) + "}")
                        .problem())
                .contains("nothing to review");
    }

    @Test
    void whatTheClientDecidedIsDone() {
        JsonNode sheet = sheet();
        String ash = fieldOf(sheet, "A paddle");
        String cedar = fieldOf(sheet, "An oar");
        String spray = fieldOf(sheet, "A deck");
        String[] decisions = {
            decided(ash, "approve", ""),
            decided(cedar, "send-back", ",\"note\":\"Say who turns it\""),
            decided(spray, "reword", ",\"text\":\"A dry lap in any sea\""),
            decided("77", "reword", ",\"text\":\"Of no sheet\""),
            decided(ash, "reject", "")
        };
        JsonNode review =
                look(shop.property(), sheet.path("sheet").asString(), decisions).json();
        assertThat(List.of("approve", "sendBack", "reword", "same", "unknown", "conflicts"))
                .extracting(count -> review.path(count).asInt())
                .containsExactly(1, 1, 1, 0, 2, 0);
        assertThat(state("A1")).as("looking changes nothing").isEqualTo("drafted");

        take(review, false);
        assertThat(state("A1")).isEqualTo("approved");
        assertThat(state("A2")).isEqualTo("sent-back");
        assertThat(shop.text("A3", "title")).isEqualTo("A dry lap in any sea");
        assertThat(state("A3")).isEqualTo("approved");
        assertThat(shop.getItem("A2", "/notes").findValuesAsString("note")).containsExactly("Say who turns it");
        assertThat(shop.get("/batches").json().get(0).path("title").asString()).isEqualTo("The client’s wording");

        JsonNode again =
                look(shop.property(), sheet.path("sheet").asString(), decisions).json();
        assertThat(again.path("same").asInt()).as("the same file twice").isEqualTo(3);
        assertThat(again.path("takenBefore").isNull()).isFalse();
        assertThat(take(again, false).path("detail").asString()).isEqualTo("nothing is left to be taken in");
    }

    @Test
    void whatChangedMeanwhileIsShownAndTheClientMayGoFirst() {
        JsonNode sheet = sheet();
        String cedar = fieldOf(sheet, "An oar");
        String spray = fieldOf(sheet, "A deck");
        type("A2", "An oar that floats");
        shop.post("/decisions", "{\"selection\":" + Shop.selection(shop.itemId("A3")) + ",\"state\":\"approved\"}");
        shop.post("/handovers", "{\"format\":\"csv\"}");

        JsonNode review = look(
                        shop.property(),
                        sheet.path("sheet").asString(),
                        decided(cedar, "approve", ""),
                        decided(spray, "reword", ",\"text\":\"Another deck\""))
                .json();
        assertThat(review.path("conflicts").asInt()).isEqualTo(2);
        assertThat(review.path("shown").findValuesAsString("shown"))
                .containsExactly("An oar of cedar", "A deck against spray");
        assertThat(review.path("shown").findValuesAsString("now"))
                .containsExactly("An oar that floats", "A deck against spray");
        assertThat(review.path("shown").findValuesAsString("delivered")).containsExactly("false", "true");

        take(review, true);
        assertThat(shop.text("A2", "title")).isEqualTo("An oar of cedar");
        assertThat(state("A2")).isEqualTo("approved");
        assertThat(shop.text("A3", "title")).as("the client has it already").isEqualTo("A deck against spray");
    }

    /** Between looking and taking in somebody may be at work. */
    @Test
    void whatChangesAfterSomebodyLookedIsNotApproved() {
        JsonNode sheet = sheet();
        JsonNode review = look(
                        shop.property(),
                        sheet.path("sheet").asString(),
                        decided(fieldOf(sheet, "An oar"), "approve", ""),
                        decided(fieldOf(sheet, "A deck"), "approve", ""))
                .json();
        type("A2", "An oar that nobody showed to the client");
        assertThat(take(review, false).path("approved").asInt()).isEqualTo(1);
        assertThat(state("A2")).isEqualTo("drafted");
        assertThat(state("A3")).isEqualTo("approved");
    }

    /** What the client says of a text counts, whatever became of it here. */
    @Test
    void aNoteIsKeptOfTextsThatWereSentBackOrChangedHere() {
        JsonNode sheet = sheet();
        shop.post("/decisions", "{\"selection\":" + Shop.selection(shop.itemId("A2")) + ",\"state\":\"sent-back\"}");
        type("A3", "A deck that is another one");
        String[] decisions = {
            decided(fieldOf(sheet, "An oar"), "send-back", ",\"note\":\"Which cedar?\""),
            decided(fieldOf(sheet, "A deck"), "send-back", ",\"note\":\"Too plain\"")
        };
        String id = sheet.path("sheet").asString();
        take(look(shop.property(), id, decisions).json(), true);
        assertThat(shop.getItem("A2", "/notes").findValuesAsString("note")).containsExactly("Which cedar?");
        assertThat(shop.getItem("A3", "/notes").findValuesAsString("note")).containsExactly("Too plain");
        assertThat(state("A3")).isEqualTo("sent-back");
        assertThat(look(shop.property(), id, decisions).json().path("same").asInt())
                .isEqualTo(2);
    }

    @Test
    void aFileThatDoesNotBelongHereIsRefused() {
        JsonNode sheet = sheet();
        Shop other = new Shop(api, "id,title\nB1,Boat hook\n");
        assertThat(look(other.property(), sheet.path("sheet").asString()).problem())
                .contains("is of another property");
        assertThat(look(shop.property(), "00000000-0000-0000-0000-000000000000").problem())
                .contains("was not made here");
        String path = "/api/properties/" + shop.property() + "/review-sheets";
        for (String file : List.of("<html>", "", "[]", "{\"sheet\":\"x\",\"decisions\":7}", "{\"decisions\":[]}")) {
            assertThat(api.upload(path, "decided.json", file.getBytes(UTF_8)).problem())
                    .as(file)
                    .contains("is not the file that a review sheet saves");
        }
    }

    private static final int ID = 7;

    /** The rows of a workbook as the client got it, filled in as he would. */
    private static byte[] filledIn(byte[] workbook, String[]... decided) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ReadableWorkbook read = new ReadableWorkbook(new ByteArrayInputStream(workbook));
                Workbook written = new Workbook(out, "Somebody", "1.0")) {
            Worksheet sheet = written.newWorksheet("Any name");
            int at = 0;
            for (Row row : read.getFirstSheet().read()) {
                for (int column = 0; column <= ID; column++) {
                    String cell = row.getCellText(column);
                    if (at > 0 && column >= 4 && column < ID && at <= decided.length)
                        cell = decided[at - 1][column - 4];
                    if (!cell.isEmpty()) sheet.value(at, column, cell);
                }
                at++;
            }
        }
        return out.toByteArray();
    }

    @Test
    void aWorkbookIsFilledInAndTakenInAsTheSheetIs() throws IOException {
        byte[] workbook =
                api.postBytes("/api/properties/" + shop.property() + "/review-sheets/sheet.xlsx", "{\"selection\":{}}");
        byte[] back = filledIn(
                workbook,
                new String[] {"Approve", "", ""},
                new String[] {"", "Cedar oar, turned by hand", ""},
                new String[] {"", "", "Say for which boats"});
        JsonNode review = upload(back).json();
        assertThat(review.path("approve").asInt()).isEqualTo(1);
        assertThat(review.path("reword").asInt()).isEqualTo(1);
        assertThat(review.path("sendBack").asInt()).isEqualTo(1);
        take(review, false);
        assertThat(state("A1")).isEqualTo("approved");
        assertThat(shop.text("A2", "title")).isEqualTo("Cedar oar, turned by hand");
        assertThat(state("A3")).isEqualTo("sent-back");
        assertThat(shop.getItem("A3", "/notes").path(0).path("note").asString()).isEqualTo("Say for which boats");

        byte[] odd = filledIn(workbook, new String[] {"perhaps", "", ""}, new String[] {"approve", "", ""});
        assertThat(upload(odd).json().path("unknown").asInt()).isEqualTo(1);
        ByteArrayOutputStream other = new ByteArrayOutputStream();
        try (Workbook any = new Workbook(other, "Somebody", "1.0")) {
            any.newWorksheet("Prices").value(0, 0, "Prices");
        }
        assertThat(upload(other.toByteArray()).problem()).contains("this workbook is no review sheet");
        assertThat(upload(new byte[] {'P', 'K', 3, 4, 0}).problem()).isEqualTo("this workbook cannot be read");
    }

    private Reply upload(byte[] file) {
        return api.upload("/api/properties/" + shop.property() + "/review-sheets", "decided.xlsx", file);
    }

    @Test
    void whatComesBackAfterTheClientHasMovedIsTakenInThere() throws Exception {
        JsonNode sheet = sheet();
        String decided = "{\"sheet\":\"" + sheet.path("sheet").asString() + "\",\"decisions\":["
                + decided(fieldOf(sheet, "An oar"), "approve", "") + ","
                + decided(fieldOf(sheet, "A deck"), "send-back", ",\"note\":\"Say whose.\"") + "]}";
        byte[] backup = api.bytes("/api/clients/" + shop.client() + "/backup.zip");
        Path there = folder.resolve("there");
        try (OwnApplication application = OwnApplication.on(there)) {
            // Something else is there already, so that everything that moves gets another number.
            new Shop(application.api(), "id,title\nZ1,Rope\n");
            Reply adding = application.api().upload("/api/backups/add", "backup.zip", backup);
            application.api().ended(adding.json().path("id").asLong());
            Shop moved = new Shop(application.api(), 2);
            JsonNode review = application
                    .api()
                    .upload(
                            "/api/properties/" + moved.property() + "/review-sheets",
                            "decided.json",
                            decided.getBytes(UTF_8))
                    .json();
            assertThat(review.path("approve").asInt() + review.path("sendBack").asInt())
                    .as(review.toString())
                    .isEqualTo(2);
            moved.post("/review-sheets/" + review.path("token").asString() + "/take", "{\"insist\":false}");
            assertThat(moved.row("A2").path("title").path("state").asString()).isEqualTo("approved");
            assertThat(moved.row("A3").path("title").path("state").asString()).isEqualTo("sent-back");
        }
    }
}
