package lucidsweep.server.item.draft;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.database.Columns;
import org.springframework.stereotype.Service;

/** Drafts of fields, their states, and fields kept as they are. Callers bring the transaction. */
@Service
public class Drafts {

    private static final int CHUNK = 200;

    private final DraftMapper mapper;

    Drafts(DraftMapper mapper) {
        this.mapper = mapper;
    }

    /** One field of many items, in the order of their ids; items that have no such field are passed over. */
    public List<FieldLine> fields(long[] ids, String field) {
        List<FieldLine> all = new ArrayList<>(ids.length);
        for (int start = 0; start < ids.length; start += CHUNK) {
            long[] some = chunk(ids, start);
            FieldLines lines = new FieldLines(mapper.writtenOf(FieldId.of(some, field)));
            mapper.coresOfGoneToo(Arrays.stream(some).boxed().toArray()).stream()
                    .map(item -> lines.of(item, field))
                    .filter(Objects::nonNull)
                    .forEach(all::add);
        }
        return all;
    }

    /** Fields of any items, by their ids. */
    public Map<Long, FieldLine> fields(Collection<Long> fieldIds) {
        FieldLines lines = new FieldLines(mapper.writtenOf(fieldIds.toArray()));
        Object[] ids = fieldIds.stream().map(FieldId::item).distinct().toArray();
        Map<Long, DraftMapper.Core> cores = mapper.coresOfGoneToo(ids).stream()
                .collect(Collectors.toMap(DraftMapper.Core::id, Function.identity()));
        Map<Long, FieldLine> found = new HashMap<>();
        for (long id : fieldIds) {
            DraftMapper.Core item = cores.get(FieldId.item(id));
            FieldLine line = item == null ? null : lines.of(item, FieldId.name(id));
            if (line != null) found.put(id, line);
        }
        return found;
    }

    /**
     * A draft to be set.
     *
     * @param draft null to take it away
     * @param measure of the text that is then in force
     */
    public record Change(FieldLine field, String draft, String state, Long batchId, TextMeasure measure) {

        /** A draft whose text is measured here, which is most of the work and can be done ahead on any thread. */
        public static Change of(FieldLine field, String draft, String state, Long batchId, Standard standard) {
            String text = draft == null ? field.captured() : draft;
            return new Change(field, draft, state, batchId, TextMeasure.of(field.field(), text, standard));
        }

        private DraftMapper.DraftValues values() {
            return new DraftMapper.DraftValues(field.id(), draft, state, batchId, measure.px(), measure.alike());
        }
    }

    /** Sets or takes away drafts; a few hundred at a time are fastest. */
    public void set(List<Change> changes) {
        if (changes.isEmpty()) return;
        mapper.setDrafts(Columns.of(changes.stream().map(Change::values).toList()));
    }

    /** Moves drafts on to a state; returns how many there were. */
    public int setState(long[] ids, String field, String state) {
        int moved = 0;
        for (int start = 0; start < ids.length; start += CHUNK)
            moved += mapper.setState(FieldId.of(chunk(ids, start), field), state);
        return moved;
    }

    /** Keeps fields as they are, with a reason, or lets them go again (null). */
    public int setKept(long[] ids, String field, String reason) {
        int kept = 0;
        for (int start = 0; start < ids.length; start += CHUNK) {
            Object[] some =
                    fields(chunk(ids, start), field).stream().map(FieldLine::id).toArray();
            kept += reason == null ? mapper.letGo(some) : mapper.keep(some, reason);
        }
        return kept;
    }

    private static long[] chunk(long[] ids, int start) {
        return Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
    }
}
