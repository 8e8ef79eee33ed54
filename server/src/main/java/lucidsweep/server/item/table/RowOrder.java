package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.BitSet;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.RecursiveAction;

/** The rows of a table in an order, kept up to date while a few of them change. Equal rows stay in the order of their places. */
final class RowOrder {

    private static final int INSERTION = 12;
    private static final int PARALLEL = 8_192;

    private final int[] rows;

    private RowOrder(int[] rows) {
        this.rows = rows;
    }

    /** Sorts so many rows. */
    static RowOrder of(int size, RowComparator by) {
        int[] rows = new int[size];
        for (int i = 0; i < size; i++) rows[i] = i;
        sort(rows, by);
        return new RowOrder(rows);
    }

    /** The same order after some rows changed: the others keep theirs, so that only the changed ones are sorted. */
    RowOrder after(BitSet changed, RowComparator by) {
        int[] moved = changed.stream().toArray();
        sort(moved, by);
        int[] kept = new int[rows.length];
        int count = 0;
        for (int row : rows) if (!changed.get(row)) kept[count++] = row;
        int[] merged = new int[rows.length];
        int from = 0;
        int at = 0;
        for (int row : moved) {
            int place = placeOf(row, kept, from, count, by);
            System.arraycopy(kept, from, merged, at, place - from);
            at += place - from;
            merged[at++] = row;
            from = place;
        }
        System.arraycopy(kept, from, merged, at, count - from);
        return new RowOrder(merged);
    }

    /** Where a row belongs among others that are in order. */
    private static int placeOf(int row, int[] others, int from, int to, RowComparator by) {
        int low = from;
        int high = to;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (before(row, others[middle], by)) high = middle;
            else low = middle + 1;
        }
        return low;
    }

    private static boolean before(int a, int b, RowComparator by) {
        int compared = by.compare(a, b);
        return compared < 0 || compared == 0 && a < b;
    }

    static RowOrder read(TableInput in, int size) {
        return new RowOrder(in.readInts(size));
    }

    void write(TableOutput out) throws IOException {
        out.writeInts(rows, rows.length);
    }

    int size() {
        return rows.length;
    }

    int row(int place) {
        return rows[place];
    }

    private static void sort(int[] rows, RowComparator by) {
        ForkJoinPool.commonPool().invoke(new Sorting(rows.clone(), rows, 0, rows.length, by));
    }

    /** A merge sort of a stretch; from and to hold the same rows at first, to holds them sorted in the end. */
    private static final class Sorting extends RecursiveAction {
        private static final long serialVersionUID = 1L;

        private final transient int[] from;
        private final transient int[] to;
        private final int start;
        private final int end;
        private final transient RowComparator by;

        private Sorting(int[] from, int[] to, int start, int end, RowComparator by) {
            this.from = from;
            this.to = to;
            this.start = start;
            this.end = end;
            this.by = by;
        }

        @Override
        protected void compute() {
            if (end - start <= INSERTION) {
                insertionSort();
                return;
            }
            int middle = (start + end) >>> 1;
            Sorting left = new Sorting(to, from, start, middle, by);
            Sorting right = new Sorting(to, from, middle, end, by);
            if (end - start >= PARALLEL) {
                invokeAll(left, right);
            } else {
                left.compute();
                right.compute();
            }
            merge(middle);
        }

        private void insertionSort() {
            for (int i = start + 1; i < end; i++) {
                int row = to[i];
                int at = i;
                while (at > start && before(row, to[at - 1], by)) {
                    to[at] = to[at - 1];
                    at--;
                }
                to[at] = row;
            }
        }

        private void merge(int middle) {
            int left = start;
            int right = middle;
            for (int at = start; at < end; at++) {
                boolean takeLeft = right >= end || left < middle && !before(from[right], from[left], by);
                to[at] = takeLeft ? from[left++] : from[right++];
            }
        }
    }
}
