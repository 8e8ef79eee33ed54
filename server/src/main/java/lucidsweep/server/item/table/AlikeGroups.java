package lucidsweep.server.item.table;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Finds items that share a text among many, without holding the texts. */
public final class AlikeGroups {

    private long[] hashes = new long[1_024];
    private long[] items = new long[1_024];
    private int size;

    /** Adds an item; items come in the order of their ids. A hash of 0 is that of no text and is left out. */
    public void add(long alike, long item) {
        if (alike == 0) return;
        if (size == hashes.length) {
            hashes = Arrays.copyOf(hashes, size * 2);
            items = Arrays.copyOf(items, size * 2);
        }
        hashes[size] = alike;
        items[size++] = item;
    }

    /** The groups of two and more, by hash. */
    public Map<Long, AlikeGroup> found() {
        RowOrder order = RowOrder.of(size, (a, b) -> Long.compare(hashes[a], hashes[b]));
        Map<Long, AlikeGroup> found = new HashMap<>();
        for (int start = 0, end; start < size; start = end) {
            long alike = hashes[order.row(start)];
            end = start + 1;
            while (end < size && hashes[order.row(end)] == alike) end++;
            if (end - start < 2) continue;
            found.put(alike, new AlikeGroup(alike, end - start, items[order.row(start)], items[order.row(end - 1)]));
        }
        return found;
    }
}
