package lucidsweep.server.aim.targets;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The keywords of all items of a property. */
@Component
public class ItemKeywords {

    private final TargetMapper mapper;

    ItemKeywords(TargetMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * A keyword that an item aims at.
     *
     * @param volume searches a month; null where not known
     * @param intent what its searchers want; null until that is worked out
     * @param place of the client's that it names; null or "" for none
     */
    public record Aim(long itemId, String phrase, Long volume, boolean primary, String intent, String place) {}

    /** By item, the primary one first; without intents and places, of which there would be many. */
    public Map<Long, List<Aim>> of(long propertyId) {
        return byItem(mapper.aims(propertyId));
    }

    /** The same of the items whose ids lie between two. */
    public Map<Long, List<Aim>> between(long first, long last) {
        return byItem(mapper.aimsBetween(first, last));
    }

    private static Map<Long, List<Aim>> byItem(List<Aim> aims) {
        Map<Long, List<Aim>> byItem = new HashMap<>();
        for (Aim aim : aims) {
            byItem.computeIfAbsent(aim.itemId(), any -> new ArrayList<>(2)).add(aim);
        }
        return byItem;
    }
}
