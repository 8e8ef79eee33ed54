package lucidsweep.server.web;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.Writer;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;

/** Writes rows as CSV (RFC 4180); a cell that a spreadsheet would take for a formula is neutralised with an apostrophe. */
public final class CsvText implements Rows, AutoCloseable {

    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d[\\d.,]*");

    private final CsvWriter csv;

    public CsvText(Writer out) {
        this(out, ',');
    }

    public CsvText(Writer out, char delimiter) {
        csv = CsvWriter.builder().fieldSeparator(delimiter).build(out);
    }

    @Override
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
