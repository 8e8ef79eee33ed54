package lucidsweep.server.web;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/** Writes rows as the one sheet of an XLSX workbook; texts are texts there, never formulas. */
public final class XlsxText implements Rows, AutoCloseable {

    public static final String TYPE = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    private static final int LONGEST_CELL = 32_767;
    private static final int FLUSH_EVERY = 500;

    private final Workbook workbook;
    private final Worksheet sheet;
    private int row;

    public XlsxText(OutputStream out) {
        workbook = new Workbook(out, "Lucid Sweep", "1.0");
        sheet = workbook.newWorksheet("Rows");
    }

    @Override
    public void row(Object... cells) {
        for (int column = 0; column < cells.length; column++) {
            Object cell = cells[column];
            if (cell instanceof Number number) sheet.value(row, column, number);
            // Shared strings would all be held until the workbook is closed.
            else if (cell != null) sheet.inlineString(row, column, clip(cell.toString()));
        }
        row++;
        try {
            if (row % FLUSH_EVERY == 0) sheet.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String clip(String text) {
        return text.length() <= LONGEST_CELL ? text : text.substring(0, LONGEST_CELL);
    }

    @Override
    public void close() throws IOException {
        workbook.close();
    }
}
