package lucidsweep.server.release;

import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldId;

/**
 * The ids of the lines of handovers, which the database makes: 2^35 times the handover's id and the last 35 bits of the id of
 * the item's field. The lines of a handover lie side by side in the order of its items.
 */
public final class LineIds {

    private static final int BITS = 35;
    private static final long MASK = (1L << BITS) - 1;

    /** Handovers h and all their lines l. */
    static final String HANDOVERS_WITH_LINES =
            "handover h join handover_line l on l.id between h.id * 34359738368 and h.id * 34359738368 + 34359738367 ";

    private LineIds() {}

    /** Those of one handover. */
    public static IdRange of(long handoverId) {
        return new IdRange(handoverId << BITS, (handoverId + 1 << BITS) - 1);
    }

    /** What the ids of the lines of a stretch of items are above 2^35 times the id of any handover. */
    static IdRange within(long firstItem, long lastItem) {
        return new IdRange(FieldId.first(firstItem) & MASK, FieldId.last(lastItem) & MASK);
    }
}
