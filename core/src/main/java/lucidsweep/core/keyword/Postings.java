package lucidsweep.core.keyword;

import java.util.Arrays;

/** The items that hold one stem, in their order, with how often in which field (at most 255 each). */
final class Postings {
    private static final long TELLING = mask();

    final IntSet telling = new IntSet();
    long changed;
    int[] items = new int[2];
    long[] counts = new long[2];
    int size;

    private static long mask() {
        long mask = 0;
        for (int field = 0; field < ItemIndex.FIELDS.size(); field++) {
            if ((ItemIndex.TELLING_FIELDS & 1 << field) != 0) mask |= 0xFFL << 8 * field;
        }
        return mask;
    }

    void put(int item, long count) {
        int at = size == 0 || items[size - 1] < item ? size : -find(item) - 1;
        if (size == items.length) {
            items = Arrays.copyOf(items, size * 2);
            counts = Arrays.copyOf(counts, size * 2);
        }
        System.arraycopy(items, at, items, at + 1, size - at);
        System.arraycopy(counts, at, counts, at + 1, size - at);
        items[at] = item;
        counts[at] = count;
        size++;
        if ((count & TELLING) != 0) telling.add(item);
    }

    void remove(int item) {
        int at = find(item);
        System.arraycopy(items, at + 1, items, at, size - at - 1);
        System.arraycopy(counts, at + 1, counts, at, size - at - 1);
        size--;
        telling.remove(item);
    }

    int find(int item) {
        return Arrays.binarySearch(items, 0, size, item);
    }
}
