package lucidsweep.server.table;

import java.util.List;
import lucidsweep.core.column.TableEnd;
import lucidsweep.core.column.TableStart;

/**
 * Where a table stands in its file and how wide it is.
 *
 * @param line of the first row
 * @param width how many cells a row has
 * @param hasNames whether the first row holds the names of the columns
 * @param total the line of a first row that adds the others up; 0 where there is none
 * @param endsRowsEarly whether empty cells at the end of a row are not written
 */
record TableShape(long line, int width, boolean hasNames, long total, boolean endsRowsEarly) {

    private static final int MAX_COLUMNS = 1_000;

    static TableShape of(List<FirstRows.Numbered> rows, boolean endsRowsEarly) {
        List<List<String>> cells = rows.stream().map(FirstRows.Numbered::cells).toList();
        int first = TableStart.row(cells);
        List<List<String>> table = cells.subList(first, cells.size());
        boolean names = TableStart.hasNames(table);
        int width = width(table, endsRowsEarly);
        long line = rows.isEmpty() ? 1 : rows.get(first).line();
        long total = names && isTotalFirst(table, width) ? rows.get(first + 1).line() : 0;
        return new TableShape(line, width, names, total, endsRowsEarly);
    }

    private static boolean isTotalFirst(List<List<String>> table, int width) {
        if (table.size() < 3) return false;
        TableEnd others = new TableEnd(width);
        table.subList(2, table.size()).forEach(others::row);
        return others.isTotal(table.get(1));
    }

    /** As wide as the first row, or wider where most rows below it are. */
    private static int width(List<List<String>> table, boolean endsRowsEarly) {
        if (table.isEmpty()) return 0;
        int head = endsRowsEarly ? TableRows.width(table.get(0)) : table.get(0).size();
        int[] below = table.stream()
                .skip(1)
                .mapToInt(TableRows::width)
                .filter(width -> width > 0)
                .sorted()
                .toArray();
        if (below.length == 0) return head;
        int usual = below[endsRowsEarly ? below.length - 1 : below.length / 2];
        return usual <= MAX_COLUMNS ? Math.max(head, usual) : head;
    }

    String expected(int cells) {
        return "expected " + width + " cells, got " + cells;
    }
}
