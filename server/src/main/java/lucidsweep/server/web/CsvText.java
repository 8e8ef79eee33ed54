package lucidsweep.server.web;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Writes rows as CSV (RFC 4180); a cell that a spreadsheet would take for a formula is neutralised with an apostrophe. */
public final class CsvText implements AutoCloseable {

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d[\\d.,]*");

    private final CsvWriter csv;

    public CsvText(Writer out) {
        this(out, ',');
    }

    public CsvText(Writer out, char delimiter) {
        csv = CsvWriter.builder().fieldSeparator(delimiter).build(out);
    }

    /** An answer that is a CSV file; its rows are written as they are sent. */
    public static ResponseEntity<StreamingResponseBody> download(String name, Consumer<CsvText> rows) {
        StreamingResponseBody body = out -> {
            try (CsvText csv = new CsvText(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                rows.accept(csv);
            }
        };
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .header(HttpHeaders.CONTENT_TYPE, "text/csv; charset=utf-8")
                .body(body);
    }

    public void row(Object... cells) {
        List<String> texts = new ArrayList<>(cells.length);
        for (Object cell : cells) texts.add(cell == null ? "" : neutral(cell.toString()));
        csv.writeRecord(texts);
    }

    @Override
    public void close() {
        try {
            csv.close();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    static String neutral(String text) {
        if (text.isEmpty() || "=+-@\t\r".indexOf(text.charAt(0)) < 0) return text;
        return NUMBER.matcher(text).matches() ? text : "'" + text;
    }
}
