package lucidsweep.server.rewrite;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.FilterForm;
import lucidsweep.server.item.table.OrderForm;
import lucidsweep.server.web.Counted;

/**
 * What is done to a rectangle of the desk, whether its rows are in view or not.
 *
 * @param filter of the table as it is shown
 * @param order of the table as it is shown
 * @param from the place of the first row in it
 * @param count how many rows
 * @param firstId the item that stands in the first row where the person saw it, and lastId in the last; null where not seen
 * @param fields the columns, from left to right
 * @param cells what is pasted, row by row; repeated where the rectangle is larger. Null for the other actions
 * @param asOf the revision of the property that was looked at; null to change whatever is there now
 */
record RangeEdit(
        @NotNull Action action,
        @NotNull FilterForm filter,
        @NotNull OrderForm order,
        @Min(value = 0, message = "is at least 0") int from,

        @Min(value = 1, message = "is at least 1") @Max(value = 500_000, message = "is at most 500,000")
        int count,

        Long firstId,
        Long lastId,

        @NotEmpty @Size(max = 10, message = "has at most 10")
        List<@NotNull Field> fields,

        List<@NotEmpty List<@NotNull @Size(max = 100_000, message = "has at most 100,000 characters") String>> cells,
        Long asOf) {

    /** What is done. */
    enum Action {
        /** Gives every row the texts of the first. */
        FILL,
        /** Takes the drafts away. */
        REVERT,
        /** Writes what is pasted. */
        PASTE
    }

    /** Whether the rows are those that the person saw. */
    boolean isAbout(long[] ids) {
        return (firstId == null || firstId == ids[0])
                && (lastId == null || ids.length == count && lastId == ids[ids.length - 1]);
    }

    /** Whether there is something to paste where that is what is wanted. */
    boolean isComplete() {
        return action != Action.PASTE || cells != null && !cells.isEmpty();
    }

    /** What is pasted into a place of the rectangle; null where the pasted row is shorter. */
    String pasted(int row, int column) {
        List<String> line = cells.get(row % cells.size());
        return line.size() == 1 || column < line.size() ? line.get(column % line.size()) : null;
    }

    /** What it does, in words. */
    String title(int texts) {
        return switch (action) {
            case FILL -> Counted.of(texts, "text") + " filled down";
            case REVERT -> Counted.of(texts, "draft") + " discarded";
            case PASTE -> Counted.of(texts, "text") + " pasted";
        };
    }
}
