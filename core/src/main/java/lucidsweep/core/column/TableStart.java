package lucidsweep.core.column;

import java.util.Arrays;
import java.util.List;

/**
 * Where a table begins below the lines that stand above it: a title, a period, empty lines.
 *
 * <pre>{@code
 * Report of October        <- above
 * Query,Clicks,Impressions <- the table begins
 * kayak hire,3,40
 * }</pre>
 */
public final class TableStart {

    /** Names are looked for in so many rows. */
    public static final int ROWS = 60;

    private static final int FURTHEST = 30;

    private TableStart() {}

    /**
     * The row in which the table begins, counted from 0.
     *
     * @param rows the first rows of the file, empty ones too
     */
    public static int row(List<List<String>> rows) {
        int width = usualWidth(rows);
        int first = firstFilled(rows, width);
        int best = -1;
        int most = 0;
        for (int i = 0; i < Math.min(rows.size(), FURTHEST); i++) {
            int names = names(rows.get(i));
            if (names > most && isNames(rows, i, width, names) && isFree(rows, i, first, width, names)) {
                best = i;
                most = names;
            }
        }
        return best >= 0 ? best : first;
    }

    /** How wide the table is: as most rows are, if there are two such at least, or as most of the lower half are. */
    private static int usualWidth(List<List<String>> rows) {
        int[] lower = rows.stream()
                .mapToInt(TableStart::width)
                .filter(width -> width > 0)
                .toArray();
        lower = Arrays.copyOfRange(lower, lower.length / 2, lower.length);
        Arrays.sort(lower);
        int most = lower.length == 0 ? 1 : Math.max(1, lower[lower.length / 2]);
        int filledRows = (int) rows.stream().filter(row -> filled(row) > 0).count();
        int needed = Math.max(Math.min(2, filledRows), (int) Math.ceil(filledRows * 0.4));
        int widest = rows.stream().mapToInt(TableStart::width).max().orElse(1);
        for (int width = most + 1; width <= widest; width++) {
            int at = width;
            if (rows.stream().filter(row -> width(row) >= at).count() >= needed) most = width;
            else break;
        }
        return most;
    }

    private static int width(List<String> row) {
        int last = row.size();
        while (last > 0 && row.get(last - 1).isBlank()) last--;
        return last;
    }

    private static int filled(List<String> row) {
        return (int) row.stream().filter(cell -> !cell.isBlank()).count();
    }

    private static int names(List<String> row) {
        if (row.stream().anyMatch(CellProfile::isData)) return 0;
        return (int) row.stream().filter(KnownNames.ALL::isName).count();
    }

    private static int firstFilled(List<List<String>> rows, int width) {
        for (int i = 0; i < rows.size(); i++) if (isTable(rows.get(i), width)) return i;
        for (int i = 0; i < rows.size(); i++) if (filled(rows.get(i)) > 0) return i;
        return 0;
    }

    private static boolean isTable(List<String> row, int width) {
        return filled(row) >= Math.max(1, Math.ceil(width * 0.6));
    }

    /** How many names of columns the row holds in which the table begins. */
    public static int namesIn(List<List<String>> rows) {
        return rows.isEmpty() ? 0 : names(rows.get(row(rows)));
    }

    private static boolean isNames(List<List<String>> rows, int at, int width, int names) {
        int filled = filled(rows.get(at));
        if (width == 1) return filled == 1 && names == 1;
        return filled >= Math.ceil(width * 0.5) && (names >= 2 || filled <= 3 && names >= 1);
    }

    /** Whether nothing of the table stands above a row: only rows that are narrower, or a row of names that is all names. */
    private static boolean isFree(List<List<String>> rows, int at, int first, int width, int names) {
        if (at <= first) return true;
        if (width == 1) return filled(rows.get(at - 1)) == 0;
        return names >= width || at <= FURTHEST / 2 && narrow(rows, at, width);
    }

    private static boolean narrow(List<List<String>> rows, int at, int width) {
        return rows.subList(0, at).stream().allMatch(row -> filled(row) < Math.ceil(width * 0.8));
    }

    /** Whether the first of some rows holds the names of the columns. */
    public static boolean hasNames(List<List<String>> rows) {
        if (rows.isEmpty()) return false;
        List<String> head = rows.get(0);
        if (names(head) > 0) return true;
        if (head.stream().anyMatch(CellProfile::isData) || filled(head) == 0) return false;
        if (filled(head) > 1) return true;
        // A single cell names the column where what stands below it is of another kind.
        List<String> below = rows.stream()
                .skip(1)
                .map(row -> row.isEmpty() ? "" : row.get(0))
                .toList();
        long data = below.stream().filter(CellProfile::isData).count();
        return !below.isEmpty() && data > below.size() * 0.8;
    }
}
