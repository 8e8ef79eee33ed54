package lucidsweep.server.item.draft;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.LongPredicate;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import org.springframework.stereotype.Service;

/** Drafts of fields, their states, and fields kept as they are. Callers bring the transaction. */
@Service
public class Drafts {

    private static final int CHUNK = 500;

    private final DraftMapper mapper;

    Drafts(DraftMapper mapper) {
        this.mapper = mapper;
    }

    /** One field of many items, in the order of their ids; items that have no such field are passed over. */
    public List<FieldLine> fields(long[] ids, Field field) {
        List<FieldLine> all = new ArrayList<>(ids.length);
        for (int start = 0; start < ids.length; start += CHUNK) {
            Stored stored = stored(chunk(ids, start), CapturedParts.have(field));
            stored.items.stream()
                    .map(item -> stored.lines.of(item, field))
                    .filter(Objects::nonNull)
                    .forEach(all::add);
        }
        return all;
    }

    /** Some items, in the order of their ids, and their fields. */
    private record Stored(List<DraftMapper.Core> items, FieldLines lines) {}

    /** Rows that lie side by side are read as a stretch, which takes the database half as long as one by one. */
    private Stored stored(long[] ids, boolean withPages) {
        long[] sorted = Arrays.stream(ids).sorted().distinct().toArray();
        if (!IdRange.isDense(sorted)) {
            Object[] boxed = Arrays.stream(sorted).boxed().toArray();
            List<DraftMapper.Page> pages = withPages ? mapper.pagesOf(boxed) : List.of();
            return new Stored(
                    mapper.coresOfGoneToo(boxed), new FieldLines(mapper.draftsOf(FieldId.ofAll(boxed)), pages));
        }
        long first = sorted[0];
        long last = sorted[sorted.length - 1];
        List<DraftMapper.Core> items = mapper.coresBetweenGoneToo(first, last).stream()
                .filter(item -> Arrays.binarySearch(sorted, item.id()) >= 0)
                .toList();
        List<DraftMapper.Page> pages = withPages ? mapper.pages(first, last) : List.of();
        return new Stored(items, new FieldLines(mapper.drafts(FieldId.first(first), FieldId.last(last)), pages));
    }

    /** The items, gone ones too, whose drafts are in one of some states, by field and ascending. */
    public Map<Field, long[]> inState(long propertyId, Set<DraftState> states) {
        IdRange items = IdRange.of(propertyId);
        return idsInState(FieldId.first(items.first()), FieldId.last(items.last()), states).stream()
                .collect(Collectors.groupingBy(
                        FieldId::field,
                        () -> new EnumMap<>(Field.class),
                        Collectors.collectingAndThen(
                                Collectors.toList(),
                                ids -> ids.stream().mapToLong(FieldId::item).toArray())));
    }

    private List<Long> idsInState(long first, long last, Set<DraftState> states) {
        List<Long> ids = new ArrayList<>(mapper.inState(first, last, codes(states)));
        if (states.contains(DraftState.DRAFTED)) {
            ids.addAll(mapper.drafted(first, last));
            Collections.sort(ids);
        }
        return ids;
    }

    /** What is drafted for a field of the items of a property, by item. */
    public Map<Long, String> drafted(long propertyId, Field field) {
        IdRange items = IdRange.of(propertyId);
        Map<Long, String> drafted = new HashMap<>();
        mapper.textsOfField(FieldId.first(items.first()), FieldId.last(items.last()), FieldId.FIELDS.indexOf(field))
                .forEach(draft -> drafted.put(FieldId.item(draft.id()), draft.text()));
        return drafted;
    }

    /** The items of which a batch here changed a field. */
    public Set<Long> changedHere(long[] ids, Field field) {
        Set<Long> changed = new HashSet<>();
        for (int start = 0; start < ids.length; start += CHUNK) {
            for (DraftMapper.TextRow draft : mapper.textsOf(FieldId.of(chunk(ids, start), field))) {
                if (draft.batchId() != null) changed.add(FieldId.item(draft.id()));
            }
        }
        return changed;
    }

    /** Fields of any items, by their ids. */
    public Map<Long, FieldLine> fields(Collection<Long> fieldIds) {
        Map<Long, FieldLine> found = new HashMap<>();
        List<Long> all = List.copyOf(fieldIds);
        for (int start = 0; start < all.size(); start += CHUNK)
            addFields(all.subList(start, Math.min(all.size(), start + CHUNK)), found);
        return found;
    }

    private void addFields(List<Long> fieldIds, Map<Long, FieldLine> found) {
        Stored stored = stored(
                fieldIds.stream().mapToLong(FieldId::item).toArray(),
                fieldIds.stream().anyMatch(id -> CapturedParts.have(FieldId.field(id))));
        Map<Long, DraftMapper.Core> items =
                stored.items.stream().collect(Collectors.toMap(DraftMapper.Core::id, Function.identity()));
        for (long id : fieldIds) {
            DraftMapper.Core item = items.get(FieldId.item(id));
            FieldLine line = item == null ? null : stored.lines.of(item, FieldId.field(id));
            if (line != null) found.put(id, line);
        }
    }

    /**
     * A draft to be set.
     *
     * @param draft null to take it away
     * @param state null where it is taken away
     * @param measure of the text that is then in force
     */
    public record Change(FieldLine field, String draft, DraftState state, Long batchId, TextMeasure measure) {

        /** A draft whose text is measured here, which is most of the work and can be done ahead on any thread. */
        public static Change of(FieldLine field, String draft, DraftState state, Long batchId, Standard standard) {
            String text = draft == null ? field.captured() : draft;
            return new Change(field, draft, state, batchId, TextMeasure.of(field.field(), text, standard));
        }

        private DraftMapper.DraftValues values(long revision) {
            return new DraftMapper.DraftValues(field.id(), draft, batchId, measure.px(), measure.alike(), revision);
        }
    }

    /**
     * Sets or takes away drafts; a few hundred at a time are fastest.
     *
     * @param revision that the property has with them
     */
    public void set(List<Change> changes, long revision) {
        if (changes.isEmpty()) return;
        mapper.setDrafts(Columns.of(
                changes.stream().map(change -> change.values(revision)).toList()));
        mapper.forgetStates(changes.stream().map(change -> change.field.id()).toArray());
        changes.stream()
                .filter(change -> change.state != null && change.state != DraftState.DRAFTED)
                .collect(Collectors.groupingBy(
                        Change::state, Collectors.mapping(change -> change.field.id(), Collectors.toList())))
                .forEach((state, ids) -> mapper.setState(ids.toArray(), state.code()));
    }

    /**
     * The fields of items whose drafts were written or taken away after a revision of the property.
     *
     * @param wanted other items are passed over
     */
    public List<FieldLine> changedAfter(long propertyId, Set<Field> fields, long revision, LongPredicate wanted) {
        IdRange items = IdRange.of(propertyId);
        List<Long> changed = mapper.changedAfter(FieldId.first(items.first()), FieldId.last(items.last()), revision);
        return List.copyOf(fields(changed.stream()
                        .filter(id -> fields.contains(FieldId.field(id)) && wanted.test(FieldId.item(id)))
                        .toList())
                .values());
    }

    /** Moves drafts on to a state, those that may become it; returns how many did. */
    public int move(long[] ids, Field field, DraftState to) {
        return move(ids, field, to.before(), to, null);
    }

    /**
     * Says that approved drafts are delivered with a handover, or are in one that is pushed; returns how many are now.
     *
     * @param to delivered or released
     */
    public int handOver(long[] ids, Field field, DraftState to, long handoverId) {
        return move(ids, field, EnumSet.of(DraftState.APPROVED), to, handoverId);
    }

    private int move(long[] ids, Field field, Set<DraftState> from, DraftState to, @Nullable Long handoverId) {
        int moved = 0;
        for (int start = 0; start < ids.length; start += CHUNK)
            moved += moveChunk(chunk(ids, start), field, from, to, handoverId);
        return moved;
    }

    private int moveChunk(long[] ids, Field field, Set<DraftState> from, DraftState to, @Nullable Long handoverId) {
        if (to == DraftState.DRAFTED) return mapper.moveBack(FieldId.of(ids, field), codes(from));
        if (from.contains(DraftState.DRAFTED))
            return mapper.moveDrafted(FieldId.of(ids, field), codes(from), to.code());
        long first = FieldId.of(ids[0], field);
        long last = FieldId.of(ids[ids.length - 1], field);
        return isAllBetween(ids, field, first, last, from)
                ? mapper.moveAll(first, last, FieldId.FIELDS.indexOf(field), codes(from), to.code(), handoverId)
                : mapper.move(FieldId.of(ids, field), codes(from), to.code(), handoverId);
    }

    /** Whether no item but these, which ascend, has a draft of the field between theirs that could move with them. */
    private boolean isAllBetween(long[] ids, Field field, long first, long last, Set<DraftState> from) {
        if (ids[ids.length - 1] - ids[0] == ids.length - 1) return true;
        long[] movable = idsInState(first, last, from).stream()
                .filter(id -> FieldId.field(id) == field)
                .mapToLong(FieldId::item)
                .toArray();
        return Arrays.equals(movable, ids);
    }

    /** Those of some fields whose drafts are still in a release as they were put there. */
    public Set<Long> released(Collection<Long> fieldIds, long handoverId) {
        return fieldIds.isEmpty() ? Set.of() : Set.copyOf(mapper.released(fieldIds.toArray(), handoverId));
    }

    /** Says that drafts of a release have arrived. */
    public void arrive(Collection<Long> fieldIds, long handoverId) {
        if (!fieldIds.isEmpty()) mapper.arrive(fieldIds.toArray(), handoverId);
    }

    /**
     * Takes drafts out of a release, arrived or not.
     *
     * @param to what becomes of them: sent back, or approved for another release
     */
    public void withdraw(Collection<Long> fieldIds, long handoverId, DraftState to) {
        if (!fieldIds.isEmpty()) mapper.withdraw(fieldIds.toArray(), handoverId, to.code());
    }

    /** Holds what was delivered against what a sweep saw: a draft whose text is there is live, others are not. */
    public void seeLive(long propertyId) {
        IdRange items = IdRange.of(propertyId);
        long first = FieldId.first(items.first());
        long last = FieldId.last(items.last());
        Map<Field, long[]> delivered = inState(propertyId, EnumSet.of(DraftState.DELIVERED, DraftState.LIVE));
        for (int place = 0; place < FieldId.FIELDS.size(); place++) {
            Field field = FieldId.FIELDS.get(place);
            if (CapturedParts.have(field)) seePartsLive(delivered.getOrDefault(field, new long[0]), field);
            else if (field != Field.SLUG) mapper.seeLive(captured(field), place, first, last);
        }
    }

    /** The same for what does not stand in the table of items. */
    private void seePartsLive(long[] ids, Field field) {
        Map<DraftState, List<Long>> seen = new EnumMap<>(DraftState.class);
        // Their texts are long: they are not held all at once.
        for (int start = 0; start < ids.length; start += CHUNK) {
            for (FieldLine line : fields(chunk(ids, start), field)) {
                DraftState state = line.captured().equals(line.draft()) ? DraftState.LIVE : DraftState.DELIVERED;
                if (state != line.state())
                    seen.computeIfAbsent(state, any -> new ArrayList<>()).add(line.id());
            }
        }
        seen.forEach((state, some) -> mapper.setState(some.toArray(), state.code()));
    }

    /** Where the table of items has what was captured of a field. A page that has a new slug is another one. */
    private static String captured(Field field) {
        return switch (field) {
            case INDEXING -> "case when i.noindex_reason = 'noindex' then 'noindex' else 'index' end";
            default -> "i." + field.code();
        };
    }

    private static Object[] codes(Set<DraftState> states) {
        return states.stream().map(DraftState::code).toArray();
    }

    /** Keeps fields as they are, with a reason, or stops keeping them (null). */
    public int setKept(long[] ids, Field field, String reason) {
        int kept = 0;
        for (int start = 0; start < ids.length; start += CHUNK) {
            Object[] some =
                    fields(chunk(ids, start), field).stream().map(FieldLine::id).toArray();
            kept += reason == null ? mapper.stopKeeping(some) : mapper.keep(some, reason);
        }
        return kept;
    }

    private static long[] chunk(long[] ids, int start) {
        return Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
    }
}
