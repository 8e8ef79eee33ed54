package lucidsweep.server.table;

import java.util.List;

/** Receives the rows of a table; line numbers start at 1. */
public interface RowReader {

    /** A row with as many cells as the first one. */
    void row(long line, List<String> cells);

    /** A row that cannot be used, and why. */
    void unreadable(long line, String reason);

    /** A line that is no row, and what it is: a total, a note, the names once more. */
    default void leftOut(long line, String what) {}
}
