package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import lucidsweep.core.alike.AlikeIndex;
import lucidsweep.core.alike.AlikeResults;
import lucidsweep.core.alike.AlikeTexts;
import lucidsweep.core.alike.Near;
import lucidsweep.core.finding.NearDuplicate;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.StoredFinding;
import lucidsweep.server.memory.RecentlyUsed;
import org.springframework.stereotype.Component;

/**
 * Keeps sketches of the texts of the properties in use, so that those near a changed text are found without reading all. They
 * are made whenever all texts are looked at.
 */
@Component
class LikeTexts {

    /** With more than so many changed texts it is quicker to look for what is near each. */
    private static final int FEW_CHANGED = 8;

    private static final List<Field> FIELDS = List.of(Field.TITLE, Field.DESCRIPTION);

    private final Items items;
    private final RecentlyUsed<Long, Known> kept =
            new RecentlyUsed<>(Runtime.getRuntime().maxMemory() / 8, Known::bytes);

    LikeTexts(Items items) {
        this.items = items;
    }

    /** The sketches of a property. */
    record Indexes(AlikeIndex titles, AlikeIndex descriptions) {

        AlikeIndex of(Field field) {
            return field == Field.TITLE ? titles : descriptions;
        }
    }

    /**
     * What is known of a property.
     *
     * @param results what was found when all texts of a field were compared; they hold until one of them changes
     */
    private record Known(Indexes indexes, Map<Field, AlikeResults> results) {

        private long bytes() {
            return indexes.titles.bytes()
                    + indexes.descriptions.bytes()
                    + results.values().stream().mapToLong(AlikeResults::bytes).sum();
        }

        private Known with(Map<Field, AlikeResults> others) {
            return new Known(indexes, others);
        }
    }

    /**
     * What came of comparing all texts of a field.
     *
     * @param index made of the same texts; null where they have not changed since, so that there is one
     */
    record Compared(AlikeResults results, @Nullable AlikeIndex index) {

        static Compared of(AlikeTexts.Found found) {
            return new Compared(found.results(), found.index());
        }
    }

    void keep(long propertyId, Compared titles, Compared descriptions) {
        Map<Field, AlikeResults> results = Map.of(Field.TITLE, titles.results, Field.DESCRIPTION, descriptions.results);
        if (titles.index != null && descriptions.index != null)
            kept.put(propertyId, new Known(new Indexes(titles.index, descriptions.index), results));
        else
            kept.replace(propertyId, known -> {
                Indexes before = known.indexes;
                return new Known(
                        new Indexes(
                                titles.index == null ? before.titles : titles.index,
                                descriptions.index == null ? before.descriptions : descriptions.index),
                        results);
            });
    }

    /** What is known of fields whose texts have not changed since all were compared. */
    Map<Field, AlikeResults> results(long propertyId) {
        Known known = kept.get(propertyId);
        return known == null ? Map.of() : known.results;
    }

    /** Says that some texts of a field changed. */
    void forgetResults(long propertyId, Field field) {
        kept.replace(propertyId, known -> {
            Map<Field, AlikeResults> left = new HashMap<>(known.results);
            left.remove(field);
            return known.with(left);
        });
    }

    /** Says that anything may have changed, the limits and the names of places too. */
    void forgetResults(long propertyId) {
        kept.replace(propertyId, known -> known.with(Map.of()));
    }

    Indexes of(long propertyId, Function<Long, Indexes> make) {
        return kept.get(propertyId, id -> new Known(make.apply(id), Map.of())).indexes;
    }

    /**
     * Takes the texts that have changed.
     *
     * @param rewritten the items of the changed texts
     * @return the items whose texts were or are now near
     */
    Set<Long> touched(Indexes indexes, ChangedTexts texts, List<ItemDetail> rewritten) {
        Set<Long> touched = new HashSet<>();
        for (Field field : FIELDS) {
            AlikeIndex index = indexes.of(field);
            Set<Long> changed = texts.items(field);
            for (ItemDetail item : rewritten) {
                if (!changed.contains(item.id())) continue;
                touched.addAll(index.set(
                        item.id(), item.noindex() == null ? item.field(field).text() : ""));
            }
        }
        return touched;
    }

    /**
     * The texts of a field that are nearest to those of some items, by item.
     *
     * @param before what was found of them
     * @param changed those whose text of the field has changed
     */
    Map<Long, Near> near(
            long propertyId,
            Indexes indexes,
            Field field,
            List<ItemDetail> some,
            Map<Long, List<StoredFinding>> before,
            Set<Long> changed) {
        AlikeIndex index = indexes.of(field);
        Map<Long, List<Long>> candidates = new HashMap<>();
        Map<Long, String> texts = new HashMap<>();
        Set<Long> unread = new HashSet<>();
        Set<Long> apart = new HashSet<>();
        for (ItemDetail item : some) {
            if (item.noindex() != null) apart.add(item.id());
            // A text that stayed and was near none can only be near one that has changed.
            boolean anyMayBe = changed.contains(item.id())
                    || changed.size() > FEW_CHANGED
                    || wasNear(before.getOrDefault(item.id(), List.of()), field);
            candidates.put(item.id(), anyMayBe ? index.candidates(item.id()) : List.copyOf(changed));
            texts.put(item.id(), item.field(field).text());
            unread.addAll(candidates.get(item.id()));
        }
        unread.removeAll(texts.keySet());
        long[] ids = unread.stream().mapToLong(Long::longValue).sorted().toArray();
        for (ItemDetail item : items.details(propertyId, ids)) {
            if (item.noindex() == null) texts.put(item.id(), item.field(field).text());
        }
        Map<Long, Near> near = new HashMap<>();
        candidates.forEach((id, others) -> {
            List<AlikeIndex.Text> theirs = new ArrayList<>(others.size());
            for (long other : others) {
                if (texts.containsKey(other) && !apart.contains(other))
                    theirs.add(new AlikeIndex.Text(other, texts.get(other)));
            }
            index.nearest(texts.get(id), theirs).ifPresent(found -> near.put(id, found));
        });
        return grouped(field, near, texts, changed);
    }

    /** The text of another item that a text is nearest to, if any is near. */
    Optional<Near> nearTo(long propertyId, AlikeIndex index, FieldLine line) {
        long[] ids = index.candidates(line.text()).stream()
                .mapToLong(Long::longValue)
                .filter(id -> id != line.itemId())
                .sorted()
                .toArray();
        List<AlikeIndex.Text> others = items.details(propertyId, ids).stream()
                .filter(item -> item.noindex() == null)
                .map(item ->
                        new AlikeIndex.Text(item.id(), item.field(line.field()).text()))
                .toList();
        return index.nearest(line.text(), others);
    }

    private static boolean wasNear(List<StoredFinding> findings, Field field) {
        return findings.stream()
                .anyMatch(finding -> finding.field() == field && finding.check().equals(NearDuplicate.CODE));
    }

    /** Puts each into the group that its neighbour is in, else the one that it was in; else both begin one. */
    private Map<Long, Near> grouped(
            Field field, Map<Long, Near> near, Map<Long, String> texts, Collection<Long> changed) {
        if (near.isEmpty()) return near;
        Set<Long> ids = new HashSet<>(near.keySet());
        near.values().forEach(found -> ids.add(found.id()));
        ids.removeAll(changed);
        Map<Long, String> groups = new HashMap<>();
        items.findings(List.copyOf(ids))
                .forEach((id, findings) -> findings.stream()
                        .filter(finding ->
                                finding.field() == field && finding.check().equals(NearDuplicate.CODE))
                        .forEach(finding -> groups.put(id, finding.shared())));
        near.replaceAll((id, found) -> {
            String begun = texts.get(Math.min(id, found.id()));
            String group = groups.getOrDefault(found.id(), groups.getOrDefault(id, begun));
            return new Near(found.id(), found.likeness(), group);
        });
        return near;
    }
}
