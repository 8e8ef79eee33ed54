package lucidsweep.server.item.capture;

import java.util.function.LongSupplier;

/** Hands out ids that are taken from the database a block at a time. */
final class IdBlock {

    private static final int SIZE = 1_000;

    private final LongSupplier nextBlock;
    private long next;
    private long end;

    /** The supplier gives the first id of a block of a thousand. */
    IdBlock(LongSupplier nextBlock) {
        this.nextBlock = nextBlock;
    }

    synchronized long next() {
        if (next == end) {
            next = nextBlock.getAsLong();
            end = next + SIZE;
        }
        return next++;
    }
}
