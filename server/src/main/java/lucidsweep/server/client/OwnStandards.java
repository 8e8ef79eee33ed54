package lucidsweep.server.client;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.StandardForm;
import tools.jackson.databind.json.JsonMapper;

/** The standards of properties; those of properties in use are read from their JSON once. */
final class OwnStandards {

    private static final int MAX_KEPT = 200;

    private static final Cache<Stored, Standard> KEPT =
            Caffeine.newBuilder().maximumSize(MAX_KEPT).build();

    private OwnStandards() {}

    private record Stored(PropertyKind kind, String language, String json) {}

    /** @param json what was set; null for the ready-made standard */
    static Standard of(PropertyKind kind, String language, String json) {
        return KEPT.get(
                new Stored(kind, language, json == null ? "" : json),
                stored -> stored.json.isEmpty()
                        ? ready(kind, language)
                        : JsonMapper.shared()
                                .readValue(stored.json, StandardForm.class)
                                .over(ready(kind, language)));
    }

    static Standard ready(PropertyKind kind, String language) {
        Standard standard = switch (kind) {
            case WEBSITE -> Standard.ofPages();
            case LISTINGS -> Standard.ofListings();
            case VIDEOS -> Standard.ofVideos();
        };
        return standard.in(Language.of(language));
    }
}
