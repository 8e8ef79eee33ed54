package lucidsweep.server.triage;

import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.Field;

/**
 * Which items' texts were changed, by field, and the hashes of the texts that they had and have. Where there are many, only
 * that is noted: everything is looked at then, and a list of 500,000 items would not fit into memory.
 */
public final class ChangedTexts {

    private static final int FEW = 3_000;

    private final Set<Field> fields = EnumSet.noneOf(Field.class);
    private final Map<Field, Set<Long>> items = new EnumMap<>(Field.class);
    private final Map<Field, Set<Long>> alike = new EnumMap<>(Field.class);
    private final Set<Long> looked = new HashSet<>();
    private boolean many;

    /** Items whose texts stayed, but that are looked at otherwise. */
    static ChangedTexts ofItems(Collection<Long> itemIds) {
        ChangedTexts texts = new ChangedTexts();
        texts.addItems(itemIds);
        return texts;
    }

    /** Adds a text that was changed, with the hashes before and after. */
    public void add(Field field, long itemId, long before, long after) {
        fields.add(field);
        if (many) return;
        items.computeIfAbsent(field, any -> new HashSet<>()).add(itemId);
        Set<Long> hashes = alike.computeIfAbsent(field, any -> new HashSet<>());
        if (before != 0) hashes.add(before);
        if (after != 0) hashes.add(after);
        noteSize();
    }

    /** Adds items whose texts stayed, but that are looked at otherwise, such as kept ones. */
    public void addItems(Collection<Long> itemIds) {
        if (many) return;
        looked.addAll(itemIds);
        noteSize();
    }

    void addAll(ChangedTexts other) {
        fields.addAll(other.fields);
        if (other.many) forgetWhich();
        if (many) return;
        other.items.forEach((field, some) ->
                items.computeIfAbsent(field, any -> new HashSet<>()).addAll(some));
        other.alike.forEach((field, some) ->
                alike.computeIfAbsent(field, any -> new HashSet<>()).addAll(some));
        looked.addAll(other.looked);
        noteSize();
    }

    private void noteSize() {
        int size = looked.size();
        for (Set<Long> some : items.values()) size += some.size();
        if (size > FEW) forgetWhich();
    }

    private void forgetWhich() {
        many = true;
        items.clear();
        alike.clear();
        looked.clear();
    }

    /** Whether there are so many that it is not known which. */
    public boolean isMany() {
        return many;
    }

    /** The fields of which any text was changed. */
    Set<Field> fields() {
        return fields;
    }

    /** Those of which a field was changed; where there are not many. */
    Set<Long> items(Field field) {
        requireFew();
        return items.getOrDefault(field, Set.of());
    }

    /** All items that are meant; where there are not many. */
    public Set<Long> itemIds() {
        requireFew();
        Set<Long> all = new HashSet<>(looked);
        items.values().forEach(all::addAll);
        return all;
    }

    Map<Field, Set<Long>> alike() {
        requireFew();
        return alike;
    }

    private void requireFew() {
        if (many) throw new IllegalStateException("so many texts were changed that it was not noted which");
    }
}
