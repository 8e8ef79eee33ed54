package lucidsweep.server.table;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** Takes the first rows of a table and ends the reading then. */
final class FirstRows implements RowReader {

    private final List<Numbered> rows = new ArrayList<>();
    private final int max;

    private FirstRows(int max) {
        this.max = max;
    }

    /** A row with its line. */
    record Numbered(long line, List<String> cells) {}

    private static final class Enough extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private Enough() {
            super(null, null, false, false);
        }
    }

    /** The first rows of what is read by a function such as {@code table::read}. */
    static List<Numbered> of(Consumer<RowReader> table, int max) {
        FirstRows first = new FirstRows(max);
        try {
            table.accept(first);
        } catch (Enough enough) {
            return first.rows;
        }
        return first.rows;
    }

    @Override
    public void row(long line, List<String> cells) {
        rows.add(new Numbered(line, cells));
        if (rows.size() >= max) throw new Enough();
    }

    @Override
    public void unreadable(long line, String reason) {
        // What cannot be read is told when all is read.
    }
}
