package lucidsweep.server.item;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;
import org.springframework.stereotype.Service;

/** Drafts of fields, their states, and fields kept as they are. Callers bring the transaction. */
@Service
public class Drafts {

    private static final int CHUNK = 200;

    private final DraftMapper mapper;

    Drafts(DraftMapper mapper) {
        this.mapper = mapper;
    }

    /** Walks over one field of many items, in chunks; items that have no such field are passed over. */
    public void forEach(long[] ids, String field, Consumer<List<FieldLine>> visit) {
        for (int start = 0; start < ids.length; start += CHUNK) {
            visit.accept(mapper.fields(FieldId.of(chunk(ids, start), field)));
        }
    }

    /** Fields by their own ids. */
    public List<FieldLine> fieldsById(List<Long> fieldIds) {
        return mapper.fields(fieldIds.toArray());
    }

    public List<FieldLine> fields(long[] ids, String field) {
        List<FieldLine> all = new ArrayList<>();
        forEach(ids, field, all::addAll);
        return all;
    }

    /** Sets or takes away (null) the draft of a field. */
    public void set(FieldLine line, String draft, String state, Long batchId, Standard standard) {
        String inForce = draft == null ? line.captured() : draft;
        mapper.setDraft(line.id(), draft, state, batchId, TextMeasure.of(line.field(), inForce, standard));
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
        for (int start = 0; start < ids.length; start += CHUNK)
            kept += mapper.setKept(FieldId.of(chunk(ids, start), field), reason);
        return kept;
    }

    /** How many drafts of a property are in a state. */
    public int count(long propertyId, String state) {
        return mapper.count(propertyId, state);
    }

    /** The fields of which a property has drafts. */
    public List<String> draftedFields(long propertyId) {
        return mapper.draftedFields(propertyId);
    }

    private static long[] chunk(long[] ids, int start) {
        return Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
    }
}
