package lucidsweep.server.item.capture;

import java.util.function.LongUnaryOperator;

/** A pack of imported rows that moves to another database, where its items and captures have other ids. */
public final class MovedPack {

    private MovedPack() {}

    /**
     * @param items the new id of an item
     * @param captures the new id of a capture
     * @return the same rows under the new ids
     */
    public static byte[] of(byte[] packed, LongUnaryOperator items, LongUnaryOperator captures) {
        RowPack moved = new RowPack();
        for (ImportedRow row : RowPack.rows(0, packed, any -> true, true)) {
            long item = items.applyAsLong(row.itemId());
            long capture = captures.applyAsLong(row.captureId());
            moved.add(new ImportedRow(row.id(), row.address(), row.became(), item, capture, row.facts()));
        }
        return moved.packed();
    }
}
