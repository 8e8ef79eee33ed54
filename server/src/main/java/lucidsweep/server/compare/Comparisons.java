package lucidsweep.server.compare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WordDifference;
import lucidsweep.server.client.Clients;
import lucidsweep.server.compare.Comparison.Entry;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.imports.ImportShape;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Holds two sweeps of a property against each other: new, gone, moved and changed items, field by field. */
@Service
class Comparisons {

    private static final int AT_ONCE = 500;
    private static final int MAX_KEPT = 8;

    private final Sweeps sweeps;
    private final SweepStore store;
    private final Visits visits;
    private final Imports imports;
    private final Items items;
    private final Drafts drafts;
    private final Clients clients;
    private final CapturedFields fields;
    private final RecentlyUsed<Key, Comparison> kept = new RecentlyUsed<>(MAX_KEPT);

    Comparisons(
            Sweeps sweeps,
            SweepStore store,
            Visits visits,
            Imports imports,
            Items items,
            Drafts drafts,
            Clients clients,
            JsonMapper json) {
        this.sweeps = sweeps;
        this.store = store;
        this.visits = visits;
        this.imports = imports;
        this.items = items;
        this.drafts = drafts;
        this.clients = clients;
        fields = new CapturedFields(json);
    }

    private record Key(long before, long after, long revision) {}

    /** A part of the differences that fit, and how many do. */
    record Differences(
            int total, Map<String, Integer> counts, Map<String, Integer> fields, int undrafted, List<Change> rows) {}

    Differences slice(long propertyId, long before, long after, ComparisonFilter filter, int from, int count) {
        Comparison comparison = of(propertyId, before, after);
        List<Entry> fitting = comparison.entries().stream()
                .filter(entry -> entry.fits(filter))
                .toList();
        int start = Math.min(Math.max(0, from), fitting.size());
        int end = Math.min(fitting.size(), start + Math.min(Math.max(0, count), AT_ONCE));
        return new Differences(
                fitting.size(),
                comparison.counts(),
                comparison.fields(),
                comparison.undrafted(),
                changes(fitting.subList(start, end)));
    }

    /** Walks over all differences that fit. */
    void forEach(long propertyId, long before, long after, ComparisonFilter filter, Consumer<Change> visit) {
        List<Entry> fitting = of(propertyId, before, after).entries().stream()
                .filter(entry -> entry.fits(filter))
                .toList();
        for (int start = 0; start < fitting.size(); start += AT_ONCE) {
            changes(fitting.subList(start, Math.min(fitting.size(), start + AT_ONCE)))
                    .forEach(visit);
        }
    }

    /** The differences of some items, so many at most. */
    List<Change> ofItems(long propertyId, long before, long after, Set<Long> wanted, int most) {
        return changes(of(propertyId, before, after).entries().stream()
                .filter(entry -> wanted.contains(entry.itemId()))
                .limit(most)
                .toList());
    }

    private Comparison of(long propertyId, long before, long after) {
        Sweep first = sweep(propertyId, before);
        Sweep second = sweep(propertyId, after);
        if (before >= after) throw Refusal.badInput("the first sweep must be the earlier one of the two");
        long revision = clients.property(propertyId).revision();
        return kept.get(new Key(before, after, revision), key -> compared(first, second));
    }

    private Sweep sweep(long propertyId, long id) {
        Sweep sweep = store.find(id);
        if (sweep.propertyId() != propertyId) throw Refusal.notFound("this property has no sweep " + id);
        if (!sweep.ofItems()) {
            throw Refusal.badInput(
                    "expected two sweeps of the items, got the import of “" + sweep.source() + "”, which holds none");
        }
        return sweep;
    }

    private Comparison compared(Sweep before, Sweep after) {
        Map<Long, Long> earlier = new HashMap<>();
        visits.forEachSeen(before.id(), seen -> {
            if (seen.itemId() != null) earlier.put(seen.itemId(), seen.captureId());
        });
        Map<Long, String> elsewhere = new HashMap<>();
        List<Entry> entries = new ArrayList<>();
        int[] unchanged = {0};
        visits.forEachSeen(after.id(), seen -> {
            if (seen.itemId() == null) {
                elsewhere.put(TextKey.exactHash(seen.address()), seen.redirectTo());
                return;
            }
            Long capture = earlier.remove(seen.itemId());
            if (capture == null) {
                entries.add(new Entry(seen.itemId(), Change.Kind.NEW, "", 0, seen.captureId(), 0, 0));
            } else if (capture.equals(seen.captureId())) {
                unchanged[0]++;
            } else {
                entries.add(new Entry(seen.itemId(), Change.Kind.CHANGED, "", capture, seen.captureId(), 0, 0));
            }
        });
        boolean whole = sweeps.isWhole(after.id());
        Map<Long, String> addresses = items.addresses(List.copyOf(earlier.keySet()));
        earlier.forEach((item, capture) -> {
            String to = elsewhere.get(TextKey.exactHash(addresses.getOrDefault(item, "")));
            if (to == null && !whole) return;
            boolean moved = to != null && !to.isEmpty();
            entries.add(
                    new Entry(item, moved ? Change.Kind.MOVED : Change.Kind.GONE, moved ? to : "", capture, 0, 0, 0));
        });
        entries.sort(Comparator.comparingLong(Entry::itemId));
        List<Entry> differing = withFields(entries);
        return counted(differing, unchanged[0] + entries.size() - differing.size());
    }

    private static Comparison counted(List<Entry> entries, int unchanged) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        for (Change.Kind kind : Change.Kind.values()) counts.put(kind.code(), 0);
        Map<String, Integer> fields = new LinkedHashMap<>();
        int undrafted = 0;
        for (Entry entry : entries) {
            counts.merge(entry.kind().code(), 1, Integer::sum);
            if (entry.undrafted() != 0) undrafted++;
            for (int i = 0; i < CapturedFields.NAMES.size(); i++) {
                if ((entry.fields() & 1 << i) != 0) fields.merge(CapturedFields.NAMES.get(i), 1, Integer::sum);
            }
        }
        counts.put("unchanged", unchanged);
        return new Comparison(entries, counts, fields, undrafted);
    }

    /** Finds the fields in which items changed, on all cores. */
    private List<Entry> withFields(List<Entry> entries) {
        Map<Long, ImportShape> shapes = new ConcurrentHashMap<>();
        long[] places = new long[entries.size()];
        for (int i = 0; i < places.length; i++) places[i] = i;
        List<Entry> found = new ArrayList<>(entries.size());
        Lookahead.over(
                places,
                AT_ONCE,
                some -> withFields(entries.subList((int) some[0], (int) some[some.length - 1] + 1), shapes),
                found::addAll);
        return found;
    }

    private List<Entry> withFields(List<Entry> some, Map<Long, ImportShape> shapes) {
        Map<Long, Map<String, String>> texts = texts(some, shapes);
        Map<String, Set<Long>> drafted = drafted(some);
        return some.stream()
                .filter(entry -> !isTheSame(entry, texts))
                .map(entry -> withFields(entry, texts, drafted))
                .toList();
    }

    /** A crawl and a file are the same where they say the same of what both looked at. */
    private static boolean isTheSame(Entry entry, Map<Long, Map<String, String>> texts) {
        if (entry.kind() != Change.Kind.CHANGED) return false;
        Map<String, String> before = texts.get(entry.captureBefore());
        Map<String, String> after = texts.get(entry.captureAfter());
        return !before.keySet().equals(after.keySet())
                && CapturedFields.NAMES.stream().noneMatch(field -> differs(field, before, after));
    }

    private static boolean differs(String field, Map<String, String> before, Map<String, String> after) {
        String one = before.get(field);
        String other = after.get(field);
        return one != null && other != null && !one.equals(other);
    }

    private static Entry withFields(Entry entry, Map<Long, Map<String, String>> texts, Map<String, Set<Long>> drafted) {
        if (entry.kind() != Change.Kind.CHANGED) return entry;
        int differing = 0;
        int undrafted = 0;
        for (int i = 0; i < CapturedFields.NAMES.size(); i++) {
            String field = CapturedFields.NAMES.get(i);
            if (!differs(field, texts.get(entry.captureBefore()), texts.get(entry.captureAfter()))) continue;
            differing |= 1 << i;
            if (!drafted.getOrDefault(field, Set.of()).contains(entry.itemId())) undrafted |= 1 << i;
        }
        return new Entry(
                entry.itemId(), entry.kind(), "", entry.captureBefore(), entry.captureAfter(), differing, undrafted);
    }

    /** The texts of the captures of some items, by capture. */
    private Map<Long, Map<String, String>> texts(List<Entry> some, Map<Long, ImportShape> shapes) {
        List<Long> ids = new ArrayList<>();
        for (Entry entry : some) {
            if (entry.captureBefore() > 0) ids.add(entry.captureBefore());
            if (entry.captureAfter() > 0) ids.add(entry.captureAfter());
        }
        Map<Long, Map<String, String>> texts = new HashMap<>();
        for (Items.PastCapture capture : items.pastCaptures(ids)) {
            ImportShape shape = shapes.get(capture.sweepId());
            if (shape == null) {
                Optional<ImportShape> known = imports.shapeOfSweep(capture.sweepId());
                if (known.isPresent()) shapes.put(capture.sweepId(), shape = known.get());
            }
            texts.put(capture.id(), fields.of(capture.facts(), shape));
        }
        return texts;
    }

    /** Items of which somebody here changed a field, by field. */
    private Map<String, Set<Long>> drafted(List<Entry> some) {
        long[] ids = some.stream()
                .filter(entry -> entry.kind() == Change.Kind.CHANGED)
                .mapToLong(Entry::itemId)
                .toArray();
        Map<String, Set<Long>> drafted = new HashMap<>();
        for (Field field : FieldId.FIELDS) {
            drafted.put(field.code(), drafts.changedHere(ids, field));
        }
        return drafted;
    }

    private List<Change> changes(List<Entry> some) {
        Map<Long, String> addresses =
                items.addresses(some.stream().map(Entry::itemId).toList());
        Map<Long, Map<String, String>> texts = texts(some, new HashMap<>());
        return some.stream()
                .map(entry -> new Change(
                        entry.itemId(),
                        addresses.getOrDefault(entry.itemId(), ""),
                        entry.kind(),
                        entry.movedTo(),
                        fieldChanges(entry, texts)))
                .toList();
    }

    /** Of an item that is only in one of the sweeps, its title and description. */
    private static List<Change.FieldChange> fieldChanges(Entry entry, Map<Long, Map<String, String>> texts) {
        Map<String, String> before = texts.getOrDefault(entry.captureBefore(), Map.of());
        Map<String, String> after = texts.getOrDefault(entry.captureAfter(), Map.of());
        List<Change.FieldChange> changes = new ArrayList<>();
        for (int i = 0; i < CapturedFields.NAMES.size(); i++) {
            String field = CapturedFields.NAMES.get(i);
            boolean shown = entry.kind() == Change.Kind.CHANGED ? (entry.fields() & 1 << i) != 0 : i < 2;
            if (!shown) continue;
            List<WordDifference.WordRun> pieces =
                    WordDifference.of(before.getOrDefault(field, ""), after.getOrDefault(field, ""));
            if (pieces.isEmpty()) continue;
            changes.add(new Change.FieldChange(field, pieces, (entry.undrafted() & 1 << i) == 0));
        }
        return changes;
    }
}
