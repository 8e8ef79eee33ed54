package lucidsweep.server.item.table;

import java.util.BitSet;
import java.util.stream.IntStream;

/** Says of a row of a table whether it is wanted. */
interface RowTest {

    boolean test(int row);

    /** Keeps those of some rows that pass. */
    static void keep(BitSet rows, RowTest test) {
        keep(rows, test, false);
    }

    /** The same by many threads, for a test that takes long and may be asked by all of them. */
    static void keepOnAllCores(BitSet rows, RowTest test) {
        keep(rows, test, true);
    }

    private static void keep(BitSet rows, RowTest test, boolean onAllCores) {
        long[] words = rows.toLongArray();
        IntStream all = IntStream.range(0, words.length);
        (onAllCores ? all.parallel() : all).forEach(i -> words[i] = kept(words[i], i * Long.SIZE, test));
        rows.and(BitSet.valueOf(words));
    }

    /** Of 64 rows from one on, a bit each, those that pass. */
    private static long kept(long rows, int from, RowTest test) {
        long kept = rows;
        for (long left = rows; left != 0; left &= left - 1) {
            int bit = Long.numberOfTrailingZeros(left);
            if (!test.test(from + bit)) kept &= ~(1L << bit);
        }
        return kept;
    }
}
