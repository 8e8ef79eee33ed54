package lucidsweep.server.triage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.finding.TagUse;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.aim.tags.Tags;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;

/** What is known of the tags of properties; looked at whenever all findings are, and kept for edits. */
@Component
class TagUses {

    private static final double NEARLY_ALL = 0.8;
    private static final int TOO_FEW_TO_TELL = 10;
    private static final int KEPT = 100;
    private static final String UNSEARCHED = "tags unsearched";

    private final Items items;
    private final Tags tags;
    private final Cache<Long, TagUse> kept =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    TagUses(Items items, Tags tags) {
        this.items = items;
        this.tags = tags;
    }

    /** Looks anew when it is asked the next time. */
    void forget(long propertyId) {
        kept.invalidate(propertyId);
    }

    TagUse of(Property property) {
        return property.hasTags() ? kept.get(property.id(), any -> looked(property)) : TagUse.UNKNOWN;
    }

    private TagUse looked(Property property) {
        Map<String, Integer> counts = new HashMap<>();
        int[] tagged = {0};
        items.forEachTags(property.id(), some -> {
            Set<String> keys = TagList.of(some).stream().map(TextKey::key).collect(Collectors.toSet());
            if (!keys.isEmpty()) tagged[0]++;
            for (String key : keys) counts.merge(key, 1, Integer::sum);
        });
        // Asked only where somebody wants to know: it looks at all that is known of searches.
        Set<String> unsearched = property.standard().off().contains(UNSEARCHED) ? Set.of() : tags.unsearched(property);
        if (tagged[0] < TOO_FEW_TO_TELL) return new TagUse(Set.of(), unsearched);
        Set<String> everywhere = counts.entrySet().stream()
                .filter(each -> each.getValue() >= NEARLY_ALL * tagged[0])
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        return new TagUse(everywhere, unsearched);
    }
}
