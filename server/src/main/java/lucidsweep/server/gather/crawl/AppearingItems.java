package lucidsweep.server.gather.crawl;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.item.table.Items;

/** Shows the items of a sweep while it runs, a second's worth at a time: telling of each by itself would slow the sweep. */
final class AppearingItems {

    private static final long EVERY_MS = 1_000;

    private final Items items;
    private final long propertyId;
    private final List<Long> waiting = new ArrayList<>();
    private long told = System.currentTimeMillis();

    AppearingItems(Items items, long propertyId) {
        this.items = items;
        this.propertyId = propertyId;
    }

    /** Says that items were stored and that this is committed. */
    void add(List<Long> itemIds) {
        waiting.addAll(itemIds);
        long now = System.currentTimeMillis();
        if (waiting.isEmpty() || now - told < EVERY_MS) return;
        items.appeared(propertyId, waiting);
        waiting.clear();
        told = now;
    }
}
