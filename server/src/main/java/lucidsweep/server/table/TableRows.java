package lucidsweep.server.table;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import lucidsweep.core.column.TableEnd;

/**
 * Passes the rows of a table on that is written for the eye: from where it begins, each with as many cells as the table is
 * wide, without what stands below it.
 */
final class TableRows implements RowReader {

    /** What may stand below a table is held back until a row follows. */
    private static final int BELOW = 5;

    private final RowReader next;
    private final TableShape shape;
    private final TableEnd end;
    private final Deque<FirstRows.Numbered> held = new ArrayDeque<>();
    private FirstRows.Numbered narrow;
    private List<String> head;

    TableRows(TableShape shape, RowReader next) {
        this.shape = shape;
        this.next = next;
        end = new TableEnd(shape.width());
    }

    @Override
    public void row(long line, List<String> cells) {
        int filled = width(cells);
        if (line < shape.line() || filled == 0) return;
        if (cells.size() < shape.width() && !shape.endsRowsEarly()) {
            narrowRow(line, cells);
            return;
        }
        releaseNarrow();
        if (filled > shape.width()) next.unreadable(line, shape.expected(cells.size()));
        else wholeRow(line, fitted(cells));
    }

    /** A row that lacks cells lacks empty ones, unless it is one half of a row that was broken in two. */
    private void narrowRow(long line, List<String> cells) {
        if (narrow != null && narrow.cells().size() + cells.size() == shape.width() + 1) {
            String reason = "a row that is broken over two lines";
            next.unreadable(narrow.line(), shape.expected(narrow.cells().size()) + "; " + reason);
            next.unreadable(line, shape.expected(cells.size()) + "; " + reason);
            narrow = null;
            return;
        }
        releaseNarrow();
        narrow = new FirstRows.Numbered(line, cells);
    }

    private void releaseNarrow() {
        if (narrow == null) return;
        FirstRows.Numbered row = narrow;
        narrow = null;
        boolean empties = row.cells().size() >= Math.max(2, shape.width() / 2.0);
        if (empties || end.isBelow(row.cells())) wholeRow(row.line(), fitted(row.cells()));
        else next.unreadable(row.line(), shape.expected(row.cells().size()));
    }

    private void wholeRow(long line, List<String> cells) {
        if (head == null) {
            head = cells;
            next.row(line, cells);
            return;
        }
        if (line == shape.total()) {
            next.leftOut(line, end.whatIs(cells));
            return;
        }
        if (shape.hasNames() && cells.equals(head)) {
            next.leftOut(line, "the names of the columns once more");
            return;
        }
        if (end.isBelow(cells) && held.size() < BELOW) {
            held.add(new FirstRows.Numbered(line, cells));
            return;
        }
        release();
        end.row(cells);
        next.row(line, cells);
    }

    private void release() {
        while (!held.isEmpty()) next.row(held.peek().line(), held.poll().cells());
    }

    /** To be called when all is read. */
    void end() {
        releaseNarrow();
        for (FirstRows.Numbered row : held) next.leftOut(row.line(), end.whatIs(row.cells()));
        held.clear();
    }

    private List<String> fitted(List<String> cells) {
        if (cells.size() == shape.width()) return cells;
        List<String> fitted = new ArrayList<>(cells.subList(0, Math.min(cells.size(), shape.width())));
        while (fitted.size() < shape.width()) fitted.add("");
        return fitted;
    }

    /** How many cells a row has without the empty ones at its end. */
    static int width(List<String> cells) {
        int last = cells.size();
        while (last > 0 && cells.get(last - 1).isBlank()) last--;
        return last;
    }

    @Override
    public void unreadable(long line, String reason) {
        next.unreadable(line, reason);
    }
}
