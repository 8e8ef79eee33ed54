package lucidsweep.server.table;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.core.column.TableStart;
import lucidsweep.server.web.Refusal;

/**
 * A table in a file or a pasted text, read row by row whatever it is written as: delimited text, a spreadsheet (XLSX),
 * JSON or JSON Lines, an XML sitemap, a ZIP of saved pages, or the texts of a release as we deliver them. Lines above and below the table are told from its rows.
 */
public final class TableFile {

    private static final int HEAD = 4_096;
    private static final int SHEETS_LOOKED_AT = 20;

    private final TableFormat format;
    private final List<String> sheets;
    private final String sheet;
    private TableShape shape;

    private TableFile(TableFormat format, List<String> sheets, String sheet) {
        this.format = format;
        this.sheets = sheets;
        this.sheet = sheet;
    }

    /** Opens a file; an empty one or one of binary is refused in words. Of a spreadsheet the sheet that looks most like a table. */
    public static TableFile of(Path file) {
        return of(file, null);
    }

    /** The same of a sheet of a spreadsheet; where null, of the one that looks most like a table. */
    public static TableFile of(Path file, String sheet) {
        byte[] head = head(file);
        if (startsWith(head, 'P', 'K', 3, 4) || startsWith(head, 'P', 'K', 5, 6)) {
            ZipGuard.check(file);
            if (!Spreadsheet.isIn(file)) return new TableFile(new SavedPages(file), List.of(), null);
            List<String> sheets = Spreadsheet.sheets(file);
            String read = sheet == null ? likeliest(file, sheets) : sheet;
            return new TableFile(DeliveredTexts.itemsOf(new Spreadsheet(file, read)), sheets, read);
        }
        return new TableFile(text(file, head), List.of(), null);
    }

    private static String likeliest(Path file, List<String> sheets) {
        String best = sheets.get(0);
        int most = -1;
        for (String sheet : sheets.subList(0, Math.min(sheets.size(), SHEETS_LOOKED_AT))) {
            int names = TableStart.namesIn(cells(FirstRows.of(new Spreadsheet(file, sheet)::read, TableStart.ROWS)));
            if (names > most) {
                best = sheet;
                most = names;
            }
        }
        return best;
    }

    private static TableFormat text(Path file, byte[] head) {
        int first = firstLetter(head);
        if (first == '{' || first == '[') return JsonTable.of(file);
        if (first == '<') {
            String start = new String(head, StandardCharsets.ISO_8859_1);
            if (start.contains("<urlset") || start.contains("<sitemapindex") || start.contains("<?xml")) {
                return new SitemapTable(file);
            }
        }
        return DeliveredTexts.itemsOf(DelimitedTable.of(file));
    }

    /** Opens a pasted text. */
    public static TableFile of(String text) {
        if (text.isBlank()) throw Refusal.badInput("there is nothing in it; at least one line was expected");
        return new TableFile(DeliveredTexts.itemsOf(DelimitedTable.of(text)), List.of(), null);
    }

    /** The name of its encoding, or "none" where the format has none of its own. */
    public String encoding() {
        return format.encoding();
    }

    /** What parts its cells; a comma where the format does that by other means. */
    public char delimiterChar() {
        return format.delimiter() == 0 ? ',' : format.delimiter();
    }

    /** The same in words: comma, tab, semicolon, bar or none. */
    public String delimiter() {
        return switch (format.delimiter()) {
            case 0 -> TableFormat.NONE;
            case '\t' -> "tab";
            case ';' -> "semicolon";
            case '|' -> "bar";
            default -> "comma";
        };
    }

    /** The sheets of a spreadsheet, in their order. */
    public List<String> sheets() {
        return sheets;
    }

    /** The sheet that is read; null where the file has none. */
    public String sheet() {
        return sheet;
    }

    /** The lines above the table, such as a title and a period; their filled cells joined by spaces. */
    public List<String> above() {
        return rowsAbove().stream()
                .filter(cells -> TableRows.width(cells) > 0)
                .map(cells -> String.join(" ", cells).strip())
                .toList();
    }

    /** The same with their cells, and with the empty lines. */
    public List<List<String>> rowsAbove() {
        if (!format.isLoose()) return List.of();
        List<FirstRows.Numbered> first = FirstRows.of(format::read, TableStart.ROWS);
        return cells(first.stream().filter(row -> row.line() < shape().line()).toList());
    }

    /** The first rows of the table, that of the names first where it has one. */
    public List<List<String>> first(int rows) {
        List<List<String>> first = cells(FirstRows.of(this::read, rows));
        if (first.isEmpty())
            throw Refusal.badInput("no row of the file can be read; a row of column names was expected");
        return first;
    }

    private static List<List<String>> cells(List<FirstRows.Numbered> rows) {
        return rows.stream().map(FirstRows.Numbered::cells).toList();
    }

    private TableShape shape() {
        if (shape == null) shape = TableShape.of(FirstRows.of(format::read, TableStart.ROWS), format.endsRowsEarly());
        return shape;
    }

    /** Reads all rows, that of the names too. */
    public void read(RowReader reader) {
        if (!format.isLoose()) {
            format.read(reader);
            return;
        }
        TableRows rows = new TableRows(shape(), reader);
        format.read(rows);
        rows.end();
    }

    private static byte[] head(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(HEAD);
        } catch (IOException e) {
            throw Refusal.badInput("the file cannot be read: " + e.getMessage());
        }
    }

    private static boolean startsWith(byte[] head, int... start) {
        if (head.length < start.length) return false;
        for (int i = 0; i < start.length; i++) if (head[i] != start[i]) return false;
        return true;
    }

    /** The first character that is neither space nor a byte order mark; UTF-16 shows its zeros as spaces. */
    private static int firstLetter(byte[] head) {
        for (byte each : head) if (each > ' ') return each;
        return -1;
    }
}
