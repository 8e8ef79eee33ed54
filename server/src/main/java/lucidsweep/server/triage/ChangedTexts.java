package lucidsweep.server.triage;

import java.util.Collection;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.Field;

/** Which items' texts were changed, by field, and the hashes of the texts that they had and have. */
public final class ChangedTexts {

    private final Map<Field, Set<Long>> items = new EnumMap<>(Field.class);
    private final Map<Field, Set<Long>> alike = new EnumMap<>(Field.class);
    private final Set<Long> looked = new HashSet<>();

    /** Adds a text that was changed, with the hashes before and after. */
    public void add(Field field, long itemId, long before, long after) {
        items.computeIfAbsent(field, any -> new HashSet<>()).add(itemId);
        Set<Long> hashes = alike.computeIfAbsent(field, any -> new HashSet<>());
        if (before != 0) hashes.add(before);
        if (after != 0) hashes.add(after);
    }

    /** Adds items whose texts stayed, but that are looked at otherwise, such as kept ones. */
    public void addItems(Collection<Long> itemIds) {
        looked.addAll(itemIds);
    }

    void addAll(ChangedTexts other) {
        other.items.forEach((field, some) ->
                items.computeIfAbsent(field, any -> new HashSet<>()).addAll(some));
        other.alike.forEach((field, some) ->
                alike.computeIfAbsent(field, any -> new HashSet<>()).addAll(some));
        looked.addAll(other.looked);
    }

    /** Those of which a field was changed. */
    Set<Long> items(Field field) {
        return items.getOrDefault(field, Set.of());
    }

    /** All items that are meant. */
    public Set<Long> itemIds() {
        Set<Long> all = new HashSet<>(looked);
        items.values().forEach(all::addAll);
        return all;
    }

    Map<Field, Set<Long>> alike() {
        return alike;
    }
}
