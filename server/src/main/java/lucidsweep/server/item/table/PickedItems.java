package lucidsweep.server.item.table;

import java.util.Arrays;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/**
 * Items that another part of the application has picked out for a while, by a name, such as those that an edit would change: a
 * table is narrowed to them.
 */
@Component
public final class PickedItems {

    private static final long MAX_IDS = 4_000_000;

    private final RecentlyUsed<String, long[]> picked = new RecentlyUsed<>(MAX_IDS, ids -> ids.length + 16);

    /** @param ids in ascending order */
    public void put(String name, long[] ids) {
        picked.put(name, ids);
    }

    /**
     * Those of some items that are picked, in the order of the items.
     *
     * @throws Refusal where nothing is kept under the name any more
     */
    public long[] among(String name, long[] items) {
        long[] ids = picked.get(name);
        if (ids == null) throw Refusal.notFound("which items these are is no longer kept; ask for the preview again");
        return Arrays.stream(items)
                .filter(id -> Arrays.binarySearch(ids, id) >= 0)
                .toArray();
    }
}
