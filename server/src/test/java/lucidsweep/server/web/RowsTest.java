package lucidsweep.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.function.Consumer;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

class RowsTest {

    private static byte[] sent(String name, Consumer<Rows> rows) throws IOException {
        ResponseEntity<StreamingResponseBody> answer = Rows.file(name, rows);
        assertThat(answer.getHeaders().getFirst(HttpHeaders.CONTENT_DISPOSITION))
                .isEqualTo("attachment; filename=\"" + name + "\"");
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        answer.getBody().writeTo(out);
        return out.toByteArray();
    }

    private static List<Row> rows(byte[] file) throws IOException {
        try (ReadableWorkbook workbook = new ReadableWorkbook(new ByteArrayInputStream(file))) {
            return workbook.getFirstSheet().read();
        }
    }

    @Test
    void aWorkbookHoldsTextsAndNumbersAndNoFormulas() throws IOException {
        String endless = "x".repeat(40_000);
        List<Row> rows = rows(sent("pages.xlsx", each -> {
            each.row("address", "volume");
            each.row("=1+1", 1300L, 2.5, null, "<b>&amp;</b>", "Café – größer");
            each.row("+44 (0)1", -7, "two\nlines", endless, "  spaces around ");
        }));
        Row second = rows.get(1);
        assertThat(second.getCell(0).getType()).isEqualTo(CellType.STRING);
        assertThat(second.getCell(0).getText()).isEqualTo("=1+1");
        assertThat(second.getCell(0).getFormula()).isNull();
        assertThat(second.getCell(1).asNumber().longValue()).isEqualTo(1300);
        assertThat(second.getCell(2).asNumber().doubleValue()).isEqualTo(2.5);
        assertThat(second.getOptionalCell(3)).isEmpty();
        assertThat(second.getCell(4).getText()).isEqualTo("<b>&amp;</b>");
        assertThat(second.getCell(5).getText()).isEqualTo("Café – größer");
        Row third = rows.get(2);
        assertThat(third.getCell(1).asNumber().intValue()).isEqualTo(-7);
        assertThat(third.getCell(2).getText()).isEqualTo("two\nlines");
        assertThat(third.getCell(3).getText()).as("as much as a cell can hold").hasSize(32_767);
        assertThat(third.getCell(4).getText()).isEqualTo("  spaces around ");
    }

    @Test
    void aLongWorkbookKeepsEveryRow() throws IOException {
        List<Row> rows = rows(sent("rows.xlsx", each -> {
            for (int i = 0; i < 1_733; i++) each.row("row " + i, i);
        }));
        assertThat(rows).hasSize(1_733);
        assertThat(rows)
                .extracting(row -> row.getCell(1))
                .extracting(Cell::asNumber)
                .extracting(Number::intValue)
                .startsWith(0, 1, 2)
                .endsWith(1_732);
    }

    @Test
    void anEmptyWorkbookIsOneAndAnyOtherNameIsCsv() throws IOException {
        assertThat(rows(sent("none.xlsx", each -> {}))).isEmpty();
        byte[] csv = sent("rows.csv", each -> each.row("=1+1", 4, null, "a,b"));
        assertThat(new String(csv, StandardCharsets.UTF_8)).isEqualTo("'=1+1,4,,\"a,b\"\r\n");
    }
}
