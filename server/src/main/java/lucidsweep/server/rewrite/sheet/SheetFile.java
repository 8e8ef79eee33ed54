package lucidsweep.server.rewrite.sheet;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Slot;
import lucidsweep.server.web.CsvText;
import org.dhatim.fastexcel.ProtectionOption;
import org.dhatim.fastexcel.SheetProtectionOption;
import org.dhatim.fastexcel.VisibilityState;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;

/**
 * Writes a writers' sheet. In a workbook only the cells for new texts can be written, and formulas say how many characters and
 * px are left; the widths of letters stand in a sheet of their own, without the kerning that moves a title by 0 to 3 px.
 */
final class SheetFile {

    /** The name of the sheet that people write in. */
    static final String TEXTS = "Texts";

    private static final int LONGEST_CELL = 32_767;
    private static final int FLUSH_EVERY = 500;
    private static final int FIRST_LETTER = 32;
    private static final int LAST_LETTER = 0x24F;
    private static final int[] MORE_LETTERS = {
        0x2010, 0x2013, 0x2014, 0x2018, 0x2019, 0x201C, 0x201D, 0x2022, 0x2026, 0x20AC
    };
    private static final double TEXT_WIDTH = 48;

    private SheetFile() {}

    /** A row: an item and its texts, in the order of the fields. */
    record Line(long itemId, String address, String keyword, Standard standard, List<String> now, List<String> after) {}

    /** Gives the rows one by one. */
    interface Lines {
        void forEach(Consumer<Line> visit);
    }

    static void csv(OutputStream out, List<Field> fields, Lines lines) {
        try (CsvText csv = CsvText.guarded(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            csv.row(SheetHeader.names(fields).toArray());
            lines.forEach(line -> {
                List<Object> cells = new ArrayList<>(List.of(line.itemId, line.address, line.keyword));
                for (int i = 0; i < fields.size(); i++) {
                    cells.add(line.now.get(i));
                    cells.add(line.after.get(i));
                    if (!SheetHeader.isMeasured(fields.get(i))) continue;
                    Standard.TextLimits limits = line.standard.limits(fields.get(i));
                    String text = line.after.get(i);
                    cells.add(limits.maxChars() - text.length());
                    cells.add(Math.round(
                            limits.desktop().limitPx() - limits.desktop().width(text)));
                }
                csv.row(cells.toArray());
            });
        }
    }

    static void workbook(OutputStream out, List<Field> fields, Lines lines) throws IOException {
        try (Workbook workbook = new Workbook(out, "Lucid Sweep", "1.0")) {
            Worksheet sheet = workbook.newWorksheet(TEXTS);
            List<String> names = SheetHeader.names(fields);
            for (int column = 0; column < names.size(); column++) {
                sheet.value(0, column, names.get(column));
                sheet.style(0, column).bold().set();
                boolean text = names.get(column).endsWith(SheetHeader.NOW)
                        || names.get(column).endsWith(SheetHeader.NEW);
                sheet.width(column, text ? TEXT_WIDTH : column == 1 ? TEXT_WIDTH / 2 : TEXT_WIDTH / 4);
            }
            sheet.hideColumn(0);
            sheet.freezePane(3, 1);
            int[] row = {0};
            lines.forEach(line -> write(sheet, ++row[0], line, fields));
            sheet.protect(
                    "",
                    SheetProtectionOption.SHEET,
                    SheetProtectionOption.OBJECTS,
                    SheetProtectionOption.SCENARIOS,
                    SheetProtectionOption.INSERT_ROWS,
                    SheetProtectionOption.DELETE_ROWS,
                    SheetProtectionOption.INSERT_COLUMNS,
                    SheetProtectionOption.DELETE_COLUMNS);
            Worksheet widths = workbook.newWorksheet("Widths");
            widths(widths);
            widths.setVisibilityState(VisibilityState.HIDDEN);
        }
    }

    private static void write(Worksheet sheet, int row, Line line, List<Field> fields) {
        sheet.value(row, 0, line.itemId);
        sheet.value(row, 1, line.address);
        sheet.value(row, 2, line.keyword);
        int column = 3;
        for (int i = 0; i < fields.size(); i++) {
            sheet.value(row, column, clip(line.now.get(i)));
            sheet.style(row, column).wrapText(true).set();
            sheet.value(row, column + 1, clip(line.after.get(i)));
            sheet.style(row, column + 1)
                    .wrapText(true)
                    .protectionOption(ProtectionOption.LOCKED, false)
                    .set();
            if (SheetHeader.isMeasured(fields.get(i))) {
                Standard.TextLimits limits = line.standard.limits(fields.get(i));
                String cell = columnName(column + 1) + (row + 1);
                sheet.formula(row, column + 2, limits.maxChars() + "-LEN(" + cell + ")");
                sheet.formula(row, column + 3, pxLeft(cell, limits.desktop(), fields.get(i)));
                column += 2;
            }
            column += 2;
        }
        if (row % FLUSH_EVERY == 0) flush(sheet);
    }

    /** The width of a text as the sum of its letters', each looked up by its code point. The library writes no "&" in a formula. */
    private static String pxLeft(String cell, Slot slot, Field field) {
        String letters = "_xlfn.UNICODE(MID(" + cell + ",ROW(INDIRECT(CONCATENATE(\"1:\",LEN(" + cell + ")))),1))";
        String widths = field == Field.TITLE ? "Widths!$B$1:$B$700" : "Widths!$C$1:$C$700";
        return "ROUND(" + slot.limitPx() + "-IF(LEN(" + cell + ")=0,0,SUMPRODUCT(SUMIF(Widths!$A$1:$A$700," + letters
                + "," + widths + "))),0)";
    }

    private static void widths(Worksheet widths) {
        Slot title = Standard.ofPages().title().desktop();
        Slot description = Standard.ofPages().description().desktop();
        int row = 0;
        for (int letter = FIRST_LETTER; letter <= LAST_LETTER; letter++) {
            if (Character.isDefined(letter) && !Character.isISOControl(letter))
                width(widths, row++, letter, title, description);
        }
        for (int letter : MORE_LETTERS) width(widths, row++, letter, title, description);
    }

    private static void width(Worksheet widths, int row, int letter, Slot title, Slot description) {
        String text = Character.toString(letter);
        widths.value(row, 0, letter);
        widths.value(row, 1, title.width(text));
        widths.value(row, 2, description.width(text));
    }

    /** "A" of 0, "AA" of 26. */
    private static String columnName(int column) {
        String last = String.valueOf((char) ('A' + column % 26));
        return column < 26 ? last : columnName(column / 26 - 1) + last;
    }

    private static String clip(String text) {
        return text.length() <= LONGEST_CELL ? text : text.substring(0, LONGEST_CELL);
    }

    private static void flush(Worksheet sheet) {
        try {
            sheet.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
