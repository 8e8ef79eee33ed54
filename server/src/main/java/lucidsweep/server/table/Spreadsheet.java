package lucidsweep.server.table;

import java.io.IOException;
import java.math.BigDecimal;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipFile;
import lucidsweep.server.web.Refusal;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.ReadingOptions;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** One sheet of a spreadsheet (XLSX). A formula's cell is the value it had last. */
final class Spreadsheet implements TableFormat {

    private static final int MAX_COLUMNS = 1_000;

    private final Path file;
    private final String sheet;

    Spreadsheet(Path file, String sheet) {
        this.file = file;
        this.sheet = sheet;
    }

    static boolean isIn(Path archive) {
        try (ZipFile zip = new ZipFile(archive.toFile())) {
            return zip.getEntry("xl/workbook.xml") != null;
        } catch (IOException e) {
            throw Refusal.badInput("this archive is damaged: " + e.getMessage());
        }
    }

    static List<String> sheets(Path file) {
        try (ReadableWorkbook workbook = open(file);
                Stream<Sheet> sheets = workbook.getSheets()) {
            List<String> names = sheets.map(Sheet::getName).toList();
            if (names.isEmpty()) throw Refusal.badInput("this spreadsheet has no sheet");
            return names;
        } catch (IOException | ExcelReaderException e) {
            throw damaged(e);
        }
    }

    @Override
    public String encoding() {
        return NONE;
    }

    @Override
    public char delimiter() {
        return 0;
    }

    @Override
    public boolean isLoose() {
        return true;
    }

    @Override
    public boolean endsRowsEarly() {
        return true;
    }

    @Override
    public void read(RowReader reader) {
        try (ReadableWorkbook workbook = open(file);
                Stream<Row> rows = workbook.findSheet(sheet)
                        .orElseThrow(() -> Refusal.badInput("there is no sheet “" + sheet + "”"))
                        .openStream()) {
            Iterator<Row> each = rows.iterator();
            for (Row row = next(each); row != null; row = next(each)) reader.row(row.getRowNum(), cells(row));
        } catch (IOException | ExcelReaderException e) {
            throw damaged(e);
        }
    }

    /** The next row, or null behind the last; the library passes on whatever its parser throws. */
    private static Row next(Iterator<Row> rows) {
        try {
            return rows.hasNext() ? rows.next() : null;
        } catch (Exception e) {
            throw damaged(e);
        }
    }

    private static ReadableWorkbook open(Path file) throws IOException {
        return new ReadableWorkbook(file.toFile(), new ReadingOptions(true, false));
    }

    /** The texts of a row without the empty cells at its end. */
    private static List<String> cells(Row row) {
        List<String> cells = new ArrayList<>(Math.min(row.getCellCount(), MAX_COLUMNS));
        int last = -1;
        for (int i = 0; i < row.getCellCount(); i++) {
            String text = text(row.getCell(i));
            if (!text.isEmpty()) last = i;
            if (last >= 0 && cells.size() <= i && i - last < MAX_COLUMNS) {
                while (cells.size() < i) cells.add("");
                cells.add(text);
            }
        }
        while (cells.size() > last + 1) cells.remove(cells.size() - 1);
        return cells;
    }

    private static String text(Cell cell) {
        if (cell == null || cell.getType() == CellType.EMPTY) return "";
        if (cell.getType() != CellType.NUMBER) return cell.getText();
        if (isDate(cell.getDataFormatString())) {
            LocalDateTime moment = cell.asDate();
            return moment.toLocalTime().equals(LocalTime.MIDNIGHT)
                    ? moment.toLocalDate().toString()
                    : moment.toString();
        }
        BigDecimal number = cell.asNumber();
        return number.stripTrailingZeros().toPlainString();
    }

    /** Whether a number is shown as a date; colours, conditions and literal texts of the format aside. */
    private static boolean isDate(String format) {
        if (format == null) return false;
        String plain = format.replaceAll("\\[[^\\]]*\\]|\"[^\"]*\"|\\\\.", "").toLowerCase(java.util.Locale.ROOT);
        return plain.contains("yy") || plain.contains("d") && plain.contains("m");
    }

    private static Refusal damaged(Exception e) {
        return Refusal.badInput("this spreadsheet cannot be read: " + e.getMessage());
    }
}
