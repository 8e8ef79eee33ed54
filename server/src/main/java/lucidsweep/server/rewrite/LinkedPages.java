package lucidsweep.server.rewrite;

import com.carrotsearch.hppc.LongLongHashMap;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.LongStream;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;

/** The pages of a property that links lead to. Safe for use by many threads. */
final class LinkedPages {

    private final long propertyId;
    private final Items items;
    private LongLongHashMap ids;

    LinkedPages(long propertyId, Items items) {
        this.propertyId = propertyId;
        this.items = items;
    }

    /** What stands at some addresses, by address; those that are no pages of the property are left out. */
    Map<String, ItemDetail> at(Collection<String> addresses) {
        LongLongHashMap known = ids();
        long[] wanted = addresses.stream()
                .mapToLong(address -> known.getOrDefault(TextKey.exactHash(address), 0))
                .filter(id -> id != 0)
                .distinct()
                .toArray();
        Map<String, ItemDetail> found = new HashMap<>();
        for (ItemDetail item : items.details(propertyId, LongStream.of(wanted).toArray())) {
            found.put(item.address(), item);
        }
        return found;
    }

    private synchronized LongLongHashMap ids() {
        if (ids == null) {
            ids = new LongLongHashMap();
            items.forEachAddress(propertyId, (address, id) -> ids.put(TextKey.exactHash(address), id));
        }
        return ids;
    }
}
