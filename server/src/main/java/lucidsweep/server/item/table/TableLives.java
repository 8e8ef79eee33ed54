package lucidsweep.server.item.table;

import java.util.HashMap;
import java.util.Map;
import lucidsweep.core.item.DraftState;

/** Counts what became of the findings of a table. What came of it is kept until something changes. */
final class TableLives {

    private final ItemColumns columns;
    private Map<Integer, Integer> foundAt;
    private Map<FindingLives.End, Integer> ended;

    TableLives(ItemColumns columns) {
        this.columns = columns;
    }

    /** Says that something else is found, or that drafts came to another state. */
    void forget() {
        foundAt = null;
        ended = null;
    }

    /** What became of findings that count since a moment, in seconds since 1970. */
    FindingLives since(int moment) {
        if (foundAt == null) foundAt = countFound();
        if (ended == null) ended = countEnded();
        return FindingLives.since(moment, foundAt, ended);
    }

    private Map<Integer, Integer> countFound() {
        Map<Integer, Integer> counts = new HashMap<>();
        for (int row = 0; row < columns.size; row++) {
            boolean[] counting = columns.findingSets.counting(columns.findingSet.get(row), columns.indexable.get(row));
            for (int i = 0; i < counting.length; i++)
                if (counting[i]) counts.merge(columns.lives.since(row, i), 1, Integer::sum);
        }
        return counts;
    }

    private Map<FindingLives.End, Integer> countEnded() {
        Map<FindingLives.End, Integer> counts = new HashMap<>();
        for (int row = 0; row < columns.size; row++) {
            int[] parts = columns.lives.ended(row);
            for (int i = 0; i < parts.length; i += 2)
                counts.merge(new FindingLives.End(parts[i], ending(row, parts[i + 1])), 1, Integer::sum);
        }
        return counts;
    }

    private FindingLives.Ending ending(int row, int draftOf) {
        if (draftOf == LifeParts.FIXED) return FindingLives.Ending.FIXED;
        int state = columns.states(draftOf).get(row);
        boolean delivered =
                state == ItemColumns.number(DraftState.DELIVERED) || state == ItemColumns.number(DraftState.LIVE);
        return delivered ? FindingLives.Ending.DELIVERED : FindingLives.Ending.DRAFTED;
    }
}
