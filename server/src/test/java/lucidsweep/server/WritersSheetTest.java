package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.standins.ShopListings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Texts go out in a sheet, and what people wrote comes back, text by text. */
@ExtendWith(RunningApplication.class)
class WritersSheetTest {

    private static final String CSV = """
            id,title,description,tags
            A1,Ash paddle,=A paddle of ash,"ash paddle, boat gift"
            A2,Oak paddle,A paddle of oak,oak paddle
            A3,Elm paddle,"Two lines,
            of elm",elm paddle
            """;

    private static final String FORM = "{\"selection\":{},\"fields\":[\"title\",\"description\",\"tags\"]}";

    private static byte[] sheet(Api api, Shop shop, String file) {
        return api.postBytes("/api/properties/" + shop.property() + "/writers-sheets/" + file, FORM);
    }

    private static Reply bringIn(Api api, Shop shop, String name, byte[] content) {
        return api.upload("/api/properties/" + shop.property() + "/writers-sheets", name, content);
    }

    private static Reply take(Shop shop, JsonNode look, boolean overwrite) {
        return shop.post(
                "/writers-sheets/" + look.path("token").asString() + "/take", "{\"overwrite\":" + overwrite + "}");
    }

    @ParameterizedTest
    @CsvSource({"texts.csv", "texts.xlsx"})
    void whatNobodyTouchedChangesNothing(String file, Api api) {
        Shop shop = new Shop(api, new ShopListings(7).csv());
        JsonNode look = bringIn(api, shop, file, sheet(api, shop, file)).json();
        assertThat(look.path("rows").asInt()).isEqualTo(shop.total(""));
        assertThat(look.path("changed").asInt()).isZero();
        assertThat(look.path("conflicts").asInt()).isZero();
        assertThat(look.path("notes")).isEmpty();
        assertThat(take(shop, look, true).problem()).isEqualTo("there is nothing in the sheet that could be taken");
    }

    @Test
    void takesWhatWasWrittenAndShowsWhatChangedOnBothSides(Api api) {
        Shop shop = new Shop(api, CSV);
        String out = new String(sheet(api, shop, "texts.csv"), UTF_8);
        assertThat(out).as("no formula reaches a spreadsheet").contains("'=A paddle of ash");
        String back = out.replace(",Ash paddle,Ash paddle,", ",Ash paddle,Ash paddle for touring,")
                .replace(",Oak paddle,Oak paddle,", ",Oak paddle,Oak paddle for rivers,")
                .replace(",elm paddle,elm paddle", ",elm paddle,\"elm paddle, oar\"");
        shop.type("A2", "title", "Oak paddle, oiled");
        JsonNode look =
                bringIn(api, shop, "texts by Ines.csv", back.getBytes(UTF_8)).json();
        assertThat(look.path("changed").asInt()).isEqualTo(2);
        assertThat(look.path("conflicts").asInt()).isEqualTo(1);
        JsonNode conflict = look.path("shown").get(0);
        assertThat(conflict.path("address").asString()).isEqualTo("A2");
        assertThat(conflict.path("seen").asString()).isEqualTo("Oak paddle");
        assertThat(conflict.path("now").asString()).isEqualTo("Oak paddle, oiled");
        assertThat(conflict.path("wanted").asString()).isEqualTo("Oak paddle for rivers");

        JsonNode batch = take(shop, look, false).json();
        assertThat(batch.path("title").asString()).isEqualTo("Writers’ sheet “texts by Ines.csv”: 2 texts");
        assertThat(shop.text("A1", "title")).isEqualTo("Ash paddle for touring");
        assertThat(shop.text("A3", "tags")).isEqualTo("elm paddle, oar");
        assertThat(shop.text("A2", "title")).isEqualTo("Oak paddle, oiled");
        assertThat(take(shop, look, false).status()).as("is taken once").isEqualTo(404);

        // Brought in once more, what was taken is there already; what differs can be overwritten.
        JsonNode again = bringIn(api, shop, "again.csv", back.getBytes(UTF_8)).json();
        assertThat(again.path("same").asInt()).isEqualTo(2);
        assertThat(take(shop, again, true).json().path("items").asInt()).isEqualTo(1);
        assertThat(shop.text("A2", "title")).isEqualTo("Oak paddle for rivers");
        api.post("/api/batches/" + batch.path("id").asLong() + "/undo", "");
        assertThat(shop.text("A1", "title")).isEqualTo("Ash paddle");
    }

    @Test
    void whatCannotBeReadIsSaid(Api api) {
        Shop shop = new Shop(api, CSV);
        String out = new String(sheet(api, shop, "texts.csv"), UTF_8);
        assertThat(bringIn(
                                api,
                                shop,
                                "x.csv",
                                out.replace("title now", "before").getBytes(UTF_8))
                        .problem())
                .startsWith("expected a column “title now”, as the sheet had when it went out; got item, address");
        assertThat(bringIn(api, shop, "x.csv", "name,text\na,b\n".getBytes(UTF_8))
                        .problem())
                .startsWith("expected a column “item”");
        long id = shop.itemId("A1");
        String odd = out.replace(String.valueOf(id), "the first") + (id + 900) + ",X,,Old,New,0,0,Old,New,0,0,a,b\r\n";
        JsonNode look = bringIn(api, shop, "x.csv", odd.getBytes(UTF_8)).json();
        assertThat(look.path("notes").get(0).asString())
                .isEqualTo("Line 2: expected the number of an item, got “the first”.");
        assertThat(look.path("gone").asInt()).isEqualTo(3);
        Shop other = new Shop(api, CSV);
        assertThat(bringIn(
                                api,
                                other,
                                "x.csv",
                                out.replace("paddle,Ash", "paddle,Big ash").getBytes(UTF_8))
                        .json()
                        .path("gone")
                        .asInt())
                .as("a sheet of another property")
                .isEqualTo(1);
    }

    @Test
    void aDamagedWorkbookIsRefusedInWords(Api api) throws IOException {
        Shop shop = new Shop(api, CSV);
        Path file = Files.createTempFile("sheet", ".xlsx");
        Files.write(file, sheet(api, shop, "texts.xlsx"));
        ByteArrayOutputStream damaged = new ByteArrayOutputStream();
        try (ZipFile whole = new ZipFile(file.toFile());
                ZipOutputStream out = new ZipOutputStream(damaged)) {
            for (ZipEntry entry : Collections.list(whole.entries())) {
                byte[] content = whole.getInputStream(entry).readAllBytes();
                out.putNextEntry(new ZipEntry(entry.getName()));
                if (entry.getName().endsWith("sheet1.xml"))
                    content = new String(content, UTF_8)
                            .replaceFirst("LEN", "LEN & ")
                            .getBytes(UTF_8);
                out.write(content);
            }
        }
        Reply look = bringIn(api, shop, "texts.xlsx", damaged.toByteArray());
        assertThat(look.status()).isEqualTo(422);
        assertThat(look.problem()).startsWith("this spreadsheet cannot be read: ");
    }

    @Test
    void theWorkbookCountsWhatIsLeft(Api api) throws IOException {
        Shop shop = new Shop(api, CSV);
        Path file = Files.createTempFile("sheet", ".xlsx");
        Files.write(file, sheet(api, shop, "texts.xlsx"));
        List<List<String>> rows = new ArrayList<>();
        TableFile.of(file, "Widths").read(new RowReader() {
            @Override
            public void row(long line, List<String> cells) {
                rows.add(cells);
            }

            @Override
            public void unreadable(long line, String reason) {
                throw new AssertionError(reason);
            }
        });
        double px = 0;
        for (char letter : "Kayak hire in Gull Cove".toCharArray())
            for (List<String> row : rows)
                if (row.get(0).equals(String.valueOf((int) letter))) px += Double.parseDouble(row.get(1));
        String looks = shop.post(
                        "/looks", "{\"title\":\"Kayak hire in Gull Cove\",\"description\":\"\",\"keyword\":\"\"}")
                .json()
                .path("title")
                .path("fit")
                .path("px")
                .asString();
        assertThat(px).isCloseTo(Double.parseDouble(looks), org.assertj.core.data.Offset.offset(4.0));
    }
}
