package lucidsweep.server.item.table;

import java.util.Arrays;
import java.util.function.IntConsumer;

/**
 * The rows of a column of hashes by their hash, kept up with every change: rows with the same hash hang in one chain, so
 * that a row comes and goes in a few steps however many there are. Rows of hash 0 are not kept.
 */
final class AlikeRows {

    private static final int NONE = -1;

    private long[] hashes;
    private int[] next;
    private int[] before;
    private int[] heads;

    /** Takes the first rows of a column. */
    AlikeRows(long[] column, int size) {
        hashes = Arrays.copyOf(column, size);
        next = new int[size];
        before = new int[size];
        hang();
    }

    /** Says that a row has another hash now. Rows that are new come in their order. */
    void set(int row, long hash) {
        if (row >= hashes.length) grow(row + 1);
        if (hashes[row] == hash) return;
        if (hashes[row] != 0) remove(row);
        hashes[row] = hash;
        if (hash != 0) add(row);
    }

    /** Visits all rows with a hash, in no certain order. */
    void forEach(long hash, IntConsumer visit) {
        if (hash == 0) return;
        for (int row = heads[slot(hash)]; row != NONE; row = next[row]) if (hashes[row] == hash) visit.accept(row);
    }

    private void grow(int least) {
        int size = Math.max(least, hashes.length * 3 / 2);
        hashes = Arrays.copyOf(hashes, size);
        next = new int[size];
        before = new int[size];
        hang();
    }

    private void hang() {
        heads = new int[Math.max(16, Integer.highestOneBit(Math.max(1, hashes.length)) * 2)];
        Arrays.fill(heads, NONE);
        for (int row = 0; row < hashes.length; row++) if (hashes[row] != 0) add(row);
    }

    private void add(int row) {
        int slot = slot(hashes[row]);
        next[row] = heads[slot];
        before[row] = NONE;
        if (heads[slot] != NONE) before[heads[slot]] = row;
        heads[slot] = row;
    }

    private void remove(int row) {
        if (before[row] == NONE) heads[slot(hashes[row])] = next[row];
        else next[before[row]] = next[row];
        if (next[row] != NONE) before[next[row]] = before[row];
    }

    private int slot(long hash) {
        return (int) (hash ^ hash >>> 32) & heads.length - 1;
    }
}
