package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** What is delivered says what was drafted, to the letter, whatever reads it. */
@ExtendWith(RunningApplication.class)
class DeliveredFilesTest {

    private static final String ODD = "=2+2 \"oars\", über €5\u00a0\u2013 <b>now</b>";

    private Api api;
    private Shop shop;

    @BeforeEach
    void approvedShop(Api api) {
        this.api = api;
        shop = new Shop(
                api,
                "id,title,description,tags,stock\nA1,Ash paddle,Carved,\"ash, oar\",3\nA2,Cedar oar,Turned,cedar,0\nA3,Deck,Sewn,,7\n");
        type("A1", "title", ODD);
        type("A2", "tags", "cedar oar, oar of cedar");
        shop.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
    }

    private void type(String id, String field, String text) {
        String json = text.replace("\"", "\\\"");
        shop.post(
                "/cells",
                "[{\"itemId\":" + shop.itemId(id) + ",\"field\":\"" + field + "\",\"text\":\"" + json + "\"}]");
    }

    private byte[] delivered(String format) {
        JsonNode handover =
                shop.post("/handovers", "{\"format\":\"" + format + "\"}").json();
        return api.bytes("/api/handovers/" + handover.path("id").asLong() + "/file");
    }

    /** Taken in again, the drafts are what changes, and nothing else does. */
    @ParameterizedTest
    @ValueSource(strings = {"json", "jsonl", "csv", "xlsx"})
    void textsComeBackAsTheyWere(String format) {
        byte[] file = delivered(format);
        String imports = "/api/properties/" + api.property("listings", "", false) + "/imports";
        JsonNode plan = api.upload(imports, "delivered." + format, file).json();
        Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
        assertThat(api.ended(applied.json().path("jobId").asLong())
                        .path("state")
                        .asString())
                .as(plan.toString())
                .isEqualTo("done");
        JsonNode rows = api.get(imports.replace("/imports", "/items")).json().path("rows");
        assertThat(rows).hasSize(2);
        assertThat(rows.get(0).path("title").path("captured").asString()).isEqualTo(ODD);
        assertThat(rows.get(1).path("tags").path("captured").asString()).isEqualTo("cedar oar, oar of cedar");
    }

    /** Heads, put into pages that are saved and taken in again, are what was drafted. */
    @Test
    void headsComeBackAsTheyWere() throws IOException {
        long website = api.property("website", "https://bay.example/", false);
        String pages =
                "address,title,description\nhttps://bay.example/oars,Oars,Of ash\nhttps://bay.example/mats,Mats,Of rope\n";
        shop = new Shop(api, website);
        shop.importFile(pages);
        type("https://bay.example/oars", "title", ODD);
        type("https://bay.example/oars", "description", ODD + " & more");
        type("https://bay.example/mats", "title", "Mats </title><script> of rope");
        shop.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        ByteArrayOutputStream saved = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(saved)) {
            for (String head : new String(delivered("html"), UTF_8).split("\n(?=<!-- )")) {
                String address = head.substring("<!-- ".length(), head.indexOf(" -->"));
                zip.putNextEntry(new ZipEntry(address.substring(address.lastIndexOf('/') + 1) + ".html"));
                zip.write(("<!doctype html><html><head><meta charset=utf-8><link rel=canonical href=\"" + address
                                + "\">" + head + "</head><body></body></html>")
                        .getBytes(UTF_8));
                zip.closeEntry();
            }
        }
        Shop again = new Shop(api, api.property("website", "https://bay.example/", false));
        String imports = "/api/properties/" + again.property() + "/imports";
        JsonNode plan = api.upload(imports, "saved.zip", saved.toByteArray()).json();
        Reply applied = api.post("/api/imports/" + plan.path("token").asString() + "/apply", Api.choice(plan));
        api.ended(applied.json().path("jobId").asLong());
        JsonNode oars = again.row("https://bay.example/oars");
        // Of a page every space is read as a plain one.
        String read = ODD.replace('\u00a0', ' ');
        assertThat(oars.path("title").path("captured").asString()).isEqualTo(read);
        assertThat(oars.path("description").path("captured").asString()).isEqualTo(read + " & more");
        assertThat(again.row("https://bay.example/mats")
                        .path("title")
                        .path("captured")
                        .asString())
                .isEqualTo("Mats </title><script> of rope");
    }

    @Test
    void aWorkbookHasTextsAndNoFormulas() throws IOException {
        byte[] file = delivered("xlsx");
        List<List<String>> rows = new ArrayList<>();
        try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(file))) {
            for (Row row : workbook.getFirstSheet().read()) {
                List<String> cells = new ArrayList<>();
                row.forEach(cell -> {
                    assertThat(cell == null || cell.getFormula() == null).isTrue();
                    cells.add(cell == null ? "" : cell.getText());
                });
                rows.add(cells);
            }
        }
        assertThat(rows)
                .containsExactly(
                        List.of("address", "field", "before", "after"),
                        List.of("A1", "title", "Ash paddle", ODD),
                        List.of("A2", "tags", "cedar", "cedar oar, oar of cedar"));
    }

    @Test
    void theFileThatCameGoesBackWithTheDraftsInIt() {
        assertThat(new String(delivered("listings"), UTF_8).replace("\r\n", "\n"))
                .isEqualTo("id,title,description,tags,stock\nA1,\"" + ODD.replace("\"", "\"\"")
                        + "\",Carved,\"ash, oar\",3\nA2,Cedar oar,Turned,\"cedar oar, oar of cedar\",0\n");
        assertThat(shop.get("/handover-formats").json().get(0).asString()).isEqualTo("listings");
    }

    /** A text that a file has no column for is not said to be delivered. */
    @Test
    void whatAFileHasNoPlaceForStaysApproved() {
        shop = new Shop(api, "id,title\nB1,Boat hook\n");
        type("B1", "description", "Reaches the far end of the slip");
        shop.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        assertThat(shop.post("/handovers", "{\"format\":\"listings\"}").problem())
                .isEqualTo("A file of this format has no place for any of the approved drafts.");
        type("B1", "title", "Boat hook of ash");
        shop.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        assertThat(new String(delivered("listings"), UTF_8)).contains("B1,Boat hook of ash");
        assertThat(shop.row("B1").path("title").path("state").asString()).isEqualTo("delivered");
        assertThat(shop.row("B1").path("description").path("state").asString()).isEqualTo("approved");
    }
}
