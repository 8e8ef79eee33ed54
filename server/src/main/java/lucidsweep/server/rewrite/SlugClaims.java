package lucidsweep.server.rewrite;

import com.carrotsearch.hppc.LongLongHashMap;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;

/**
 * Which addresses of a property are taken: by an item that is there, or by the slug that is drafted for one. Only their hashes
 * are kept, 16 bytes an item.
 */
final class SlugClaims {

    private final LongLongHashMap owners = new LongLongHashMap();

    SlugClaims(long propertyId, Items items, Drafts drafts) {
        Map<Long, String> drafted = drafts.drafted(propertyId, Field.SLUG);
        items.forEachAddress(propertyId, (address, id) -> {
            owners.putIfAbsent(TextKey.exactHash(address), id);
            String slug = drafted.get(id);
            if (slug != null) owners.putIfAbsent(TextKey.exactHash(Slug.replaced(address, slug)), id);
        });
    }

    /** Whether an item may have an address; it is its own from then on. */
    boolean claim(long itemId, String address) {
        long hash = TextKey.exactHash(address);
        return owners.putIfAbsent(hash, itemId) || owners.get(hash) == itemId;
    }
}
