package lucidsweep.server.table;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.server.web.Refusal;

/**
 * A table in a file or a pasted text, read row by row whatever it is written as: delimited text, a spreadsheet (XLSX),
 * JSON or JSON Lines, an XML sitemap, or a ZIP of saved pages. The first row holds the names of the columns, if there are any.
 */
public final class TableFile {

    private static final int HEAD = 4_096;

    private final TableFormat format;
    private final List<String> sheets;

    private TableFile(TableFormat format, List<String> sheets) {
        this.format = format;
        this.sheets = sheets;
    }

    /** Opens a file; an empty one or one of binary is refused in words. */
    public static TableFile of(Path file) {
        return of(file, null);
    }

    /** The same of a sheet of a spreadsheet; the first where null. */
    public static TableFile of(Path file, String sheet) {
        byte[] head = head(file);
        if (startsWith(head, 'P', 'K', 3, 4) || startsWith(head, 'P', 'K', 5, 6)) {
            ZipGuard.check(file);
            if (!Spreadsheet.isIn(file)) return new TableFile(new SavedPages(file), List.of());
            List<String> sheets = Spreadsheet.sheets(file);
            return new TableFile(new Spreadsheet(file, sheet == null ? sheets.get(0) : sheet), sheets);
        }
        return new TableFile(text(file, head), List.of());
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
        return DelimitedTable.of(file);
    }

    /** Opens a pasted text. */
    public static TableFile of(String text) {
        if (text.isBlank()) throw Refusal.badInput("there is nothing in it; at least one line was expected");
        return new TableFile(DelimitedTable.of(text), List.of());
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

    /** The first rows as they stand, however many cells they have. */
    public List<List<String>> first(int rows) {
        return format.first(rows);
    }

    /** Reads all rows, that of the names too. */
    public void read(RowReader reader) {
        format.read(reader);
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
