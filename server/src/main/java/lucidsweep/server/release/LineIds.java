package lucidsweep.server.release;

import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;

/**
 * The ids of the lines of handovers, which the database makes: 2^35 times the handover's id and the last 35 bits of the id of
 * the item's field. The lines of a handover lie side by side in the order of its items.
 */
public final class LineIds {

    /** How far the first lines of two handovers lie apart. */
    static final long STEP = 1L << 35;

    /** Handovers h and all their lines l. */
    static final String HANDOVERS_WITH_LINES = "handover h join handover_line l on l.id between h.id * " + STEP
            + " and h.id * " + STEP + " + " + (STEP - 1) + " ";

    /** The least id that a line of the handover and the item of l may have. */
    public static final String FIRST_OF_ITEM =
            "(l.handover_id * " + STEP + " + mod(l.item_id, " + (1L << 31) + ") * " + FieldId.STEP + ")";

    private LineIds() {}

    /** Those of one handover. */
    public static IdRange of(long handoverId) {
        return new IdRange(handoverId * STEP, (handoverId + 1) * STEP - 1);
    }

    /** That of a field of an item in a handover. */
    static long of(long handoverId, long fieldId) {
        return handoverId * STEP + fieldId % STEP;
    }

    /** What the ids of the lines of a stretch of items are above 2^35 times the id of any handover. */
    static IdRange within(long firstItem, long lastItem) {
        return new IdRange(FieldId.first(firstItem) % STEP, FieldId.last(lastItem) % STEP);
    }
}
