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
     */
    public record Aim(long itemId, String phrase, Long volume, boolean primary) {}

    /** By item, the primary one first. */
    public Map<Long, List<Aim>> of(long propertyId) {
        Map<Long, List<Aim>> byItem = new HashMap<>();
        for (Aim aim : mapper.aims(propertyId)) {
            byItem.computeIfAbsent(aim.itemId(), any -> new ArrayList<>(2)).add(aim);
        }
        return byItem;
    }
}
