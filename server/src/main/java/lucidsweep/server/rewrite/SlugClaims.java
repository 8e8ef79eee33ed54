package lucidsweep.server.rewrite;

import java.util.HashMap;
import java.util.Map;
import lucidsweep.core.page.Slug;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.item.table.Items;

/** Which addresses of a property are taken: by an item that is there, or by the slug that is drafted for one. */
final class SlugClaims {

    private final Map<Long, Long> ownerByHash = new HashMap<>();
    private final Map<Long, String> addresses = new HashMap<>();

    SlugClaims(long propertyId, Items items) {
        items.forEachSlug(propertyId, item -> {
            ownerByHash.putIfAbsent(TextKey.exactHash(item.address()), item.itemId());
            addresses.put(item.itemId(), item.address());
            if (item.draftedSlug() != null)
                ownerByHash.putIfAbsent(
                        TextKey.exactHash(Slug.replaced(item.address(), item.draftedSlug())), item.itemId());
        });
    }

    /** The address that an item would have. */
    String address(long itemId, String slug) {
        return Slug.replaced(addresses.getOrDefault(itemId, ""), slug);
    }

    /** Whether an item may have a slug; it is its own from then on. */
    boolean claim(long itemId, String slug) {
        String address = addresses.get(itemId);
        if (address == null) return true;
        Long owner = ownerByHash.putIfAbsent(TextKey.exactHash(Slug.replaced(address, slug)), itemId);
        return owner == null || owner == itemId;
    }
}
