package lucidsweep.server.web;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Where the rows of a table are written to. */
public interface Rows {

    /** Writes a row; a cell is a text, a number, or null for nothing. */
    void row(Object... cells);

    /**
     * An answer that is a file of rows, CSV or XLSX as the address that was asked for ends; they are written as they are sent.
     *
     * @param name of the file, without its ending
     */
    static ResponseEntity<StreamingResponseBody> download(String name, Consumer<Rows> rows) {
        String asked = ServletUriComponentsBuilder.fromCurrentRequest().build().getPath();
        return file(name + (asked != null && asked.endsWith(".xlsx") ? ".xlsx" : ".csv"), rows);
    }

    /** The same as the name ends. */
    static ResponseEntity<StreamingResponseBody> file(String name, Consumer<Rows> rows) {
        boolean workbook = name.endsWith(".xlsx");
        StreamingResponseBody body = out -> {
            if (workbook) writeWorkbook(out, rows);
            else writeCsv(out, rows);
        };
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .header(HttpHeaders.CONTENT_TYPE, workbook ? XlsxText.TYPE : "text/csv; charset=utf-8")
                .body(body);
    }

    private static void writeCsv(OutputStream out, Consumer<Rows> rows) {
        try (CsvText csv = CsvText.guarded(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            rows.accept(csv);
        }
    }

    private static void writeWorkbook(OutputStream out, Consumer<Rows> rows) throws IOException {
        try (XlsxText workbook = new XlsxText(out)) {
            rows.accept(workbook);
        }
    }
}
