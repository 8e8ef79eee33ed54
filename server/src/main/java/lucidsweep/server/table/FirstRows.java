package lucidsweep.server.table;

import java.util.ArrayList;
import java.util.List;

/** Takes the first rows of a table and ends the reading then. */
final class FirstRows implements RowReader {

    private final List<List<String>> rows = new ArrayList<>();
    private final int max;

    private FirstRows(int max) {
        this.max = max;
    }

    private static final class Enough extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private Enough() {
            super(null, null, false, false);
        }
    }

    static List<List<String>> of(TableFormat table, int max) {
        FirstRows first = new FirstRows(max);
        try {
            table.read(first);
        } catch (Enough enough) {
            return first.rows;
        }
        return first.rows;
    }

    @Override
    public void row(long line, List<String> cells) {
        rows.add(cells);
        if (rows.size() >= max) throw new Enough();
    }

    @Override
    public void unreadable(long line, String reason) {
        // What cannot be read is told when all is read.
    }
}
