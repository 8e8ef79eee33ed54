package lucidsweep.server.web;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import lucidsweep.core.text.FormulaGuard;

/**
 * Writes rows as CSV (RFC 4180). In tables for people, a cell that a spreadsheet would take for a formula is guarded; files for
 * machines are faithful to the letter.
 */
public final class CsvText implements Rows, AutoCloseable {

    private final CsvWriter csv;
    private final UnaryOperator<String> cell;

    private CsvText(Writer out, char delimiter, UnaryOperator<String> cell) {
        csv = CsvWriter.builder().fieldSeparator(delimiter).build(out);
        this.cell = cell;
    }

    /** A table that people open in a spreadsheet. */
    public static CsvText guarded(Writer out) {
        return new CsvText(out, ',', FormulaGuard::guarded);
    }

    /** A file whose cells are exactly what they say. */
    public static CsvText faithful(Writer out) {
        return faithful(out, ',');
    }

    public static CsvText faithful(Writer out, char delimiter) {
        return new CsvText(out, delimiter, UnaryOperator.identity());
    }

    @Override
    public void row(Object... cells) {
        List<String> texts = new ArrayList<>(cells.length);
        for (Object each : cells) texts.add(each == null ? "" : cell.apply(each.toString()));
        csv.writeRecord(texts);
    }

    @Override
    public void close() {
        try {
            csv.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
