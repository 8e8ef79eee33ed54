package lucidsweep.server.release.review;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import lucidsweep.server.web.Refusal;
import org.dhatim.fastexcel.ProtectionOption;
import org.dhatim.fastexcel.SheetProtectionOption;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;

/** A review sheet as a workbook, for clients who decide in a spreadsheet: a row a text, with cells for what they decide. */
final class ReviewWorkbook {

    private static final List<String> NAMES =
            List.of("address", "text", "before", "after", "decision", "your wording", "note", "id");
    private static final double[] WIDTHS = {30, 16, 48, 48, 14, 48, 36, 4};
    private static final int BEFORE = 2;
    private static final int DECISION = 4;
    private static final int WORDING = 5;
    private static final int NOTE = 6;
    private static final int ID = 7;
    private static final int LONGEST_CELL = 32_767;

    /** A workbook unpacks to more than it weighs. */
    private static final int MOST_ROWS = 20_001;

    private ReviewWorkbook() {}

    static byte[] of(ReviewSheet review) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (Workbook workbook = new Workbook(out, "Lucid Sweep", "1.0")) {
            Worksheet sheet = workbook.newWorksheet("Texts to review");
            for (int column = 0; column < NAMES.size(); column++) {
                sheet.value(0, column, NAMES.get(column));
                sheet.style(0, column).bold().set();
                sheet.width(column, WIDTHS[column]);
            }
            sheet.hideColumn(ID);
            sheet.freezePane(1, 1);
            int row = 0;
            for (ReviewSheet.Text text : review.texts()) write(sheet, ++row, review.sheet(), text);
            sheet.range(1, DECISION, Math.max(1, row), DECISION)
                    .validateWithListByFormula("\"approve,send back,reword\"");
            sheet.protect("", SheetProtectionOption.SHEET, SheetProtectionOption.INSERT_COLUMNS);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static void write(Worksheet sheet, int row, String id, ReviewSheet.Text text) {
        String[] cells = {text.address(), text.label(), text.before(), text.after(), "", "", "", id + " " + text.id()};
        for (int column = 0; column < cells.length; column++) {
            String cell = cells[column];
            if (!cell.isEmpty()) {
                sheet.value(row, column, cell.substring(0, Math.min(LONGEST_CELL, cell.length())));
            }
            if (column == DECISION || column == NOTE || column == WORDING && text.reword()) {
                sheet.style(row, column)
                        .wrapText(true)
                        .protectionOption(ProtectionOption.LOCKED, false)
                        .set();
            } else if (column >= BEFORE) sheet.style(row, column).wrapText(true).set();
        }
    }

    /** Whether a file may be a workbook, which is a ZIP file. */
    static boolean isOne(byte[] file) {
        return file.length > 3 && file[0] == 'P' && file[1] == 'K';
    }

    /** @throws Refusal of a workbook that is no review sheet */
    static ReturnedReview read(byte[] file) {
        Map<Long, ReviewSheet.Decided> decided = new LinkedHashMap<>();
        String[] sheetId = {""};
        int[] unreadable = {0};
        try (ReadableWorkbook workbook =
                        new ReadableWorkbook(new ByteArrayInputStream(file), new ReadingOptions(false, false));
                Stream<Row> rows = workbook.getFirstSheet().openStream()) {
            rows.skip(1).limit(MOST_ROWS).forEach(row -> {
                String[] id = cell(row, ID).split(" ");
                boolean ours = id.length == 2 && (sheetId[0].isEmpty() || sheetId[0].equals(id[0]));
                if (ours) sheetId[0] = id[0];
                if (isUndecided(row)) return;
                ReviewSheet.Decided one = !ours
                        ? null
                        : ReturnedReview.decided(id[1], decision(row), cell(row, WORDING), cell(row, NOTE));
                if (one == null || decided.putIfAbsent(one.fieldId(), one) != null) unreadable[0]++;
            });
        } catch (IOException | RuntimeException e) {
            throw Refusal.badInput("this workbook cannot be read");
        }
        if (sheetId[0].isEmpty()) {
            throw Refusal.badInput("this workbook is no review sheet; it has no ids in column H");
        }
        return new ReturnedReview(sheetId[0], decided, unreadable[0]);
    }

    private static boolean isUndecided(Row row) {
        return cell(row, DECISION).isEmpty()
                && cell(row, WORDING).isEmpty()
                && cell(row, NOTE).isEmpty();
    }

    /** Whoever gives another wording, or only a note, need not say that he rewords or sends back. */
    private static String decision(Row row) {
        String written = cell(row, DECISION).toLowerCase(Locale.ROOT).replace(' ', '-');
        if (!written.isEmpty()) return written;
        return cell(row, WORDING).isEmpty() ? "send-back" : "reword";
    }

    private static String cell(Row row, int column) {
        return row.getCellCount() <= column
                ? ""
                : row.getOptionalCell(column)
                        .map(cell ->
                                cell.getText() == null ? "" : cell.getText().strip())
                        .orElse("");
    }
}
