package lucidsweep.server.database;

import java.util.stream.LongStream;

/**
 * The ids of rows that belong to one owner and follow upon each other: from the owner's id times 2^31 on. Such rows lie
 * side by side in the table and are read in their order without an index of their own.
 */
public record IdRange(long first, long last) {

    private static final int BITS = 31;

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

    /** The owner of a row. */
    public static long owner(long id) {
        return id >> BITS;
    }
}
