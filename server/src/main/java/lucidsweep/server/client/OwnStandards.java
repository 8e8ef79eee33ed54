package lucidsweep.server.client;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.StandardForm;
import tools.jackson.databind.json.JsonMapper;

/** The standards of properties; those of properties in use are read from their JSON once. */
final class OwnStandards {

    private static final int MAX_KEPT = 200;

    private static final Cache<Stored, Standard> KEPT =
            Caffeine.newBuilder().maximumSize(MAX_KEPT).build();

    private OwnStandards() {}

    private record Stored(PropertyKind kind, String json) {}

    /** @param json what was set; null for the ready-made standard */
    static Standard of(PropertyKind kind, String json) {
        return KEPT.get(
                new Stored(kind, json == null ? "" : json),
                stored -> stored.json.isEmpty()
                        ? ready(kind)
                        : JsonMapper.shared()
                                .readValue(stored.json, StandardForm.class)
                                .over(ready(kind)));
    }

    static Standard ready(PropertyKind kind) {
        return kind == PropertyKind.WEBSITE ? Standard.ofPages() : Standard.ofListings();
    }
}
