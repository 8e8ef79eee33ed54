package lucidsweep.server.database;

import java.util.stream.LongStream;

/**
 * The ids of rows that belong to one owner and follow upon each other: from the owner's id times 2^31 on. Such rows lie
 * side by side in the table and are read in their order without an index of their own.
 */
public record IdRange(long first, long last) {

    private static final int BITS = 31;
    private static final long DENSE = 4;

    public static IdRange of(long owner) {
        return new IdRange(owner << BITS, (owner + 1 << BITS) - 1);
    }

    /** The id of an owner's nth row, from 0. */
    public static long id(long owner, long place) {
        return (owner << BITS) + place;
    }

    /** The ids of an owner's first rows, so many. */
    public static long[] ids(long owner, int count) {
        return LongStream.range(id(owner, 0), id(owner, count)).toArray();
    }

    /** Whether ids in their order lie so close that it is faster to read the whole stretch and pass over the others. */
    public static boolean isDense(long[] sorted) {
        return sorted.length > 0 && sorted[sorted.length - 1] - sorted[0] < DENSE * sorted.length;
    }

    /** The owner of a row. */
    public static long owner(long id) {
        return id >> BITS;
    }
}
