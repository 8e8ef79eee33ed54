package lucidsweep.server.item.draft;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Puts fields together from what was captured of them and what was written for them. */
public final class FieldLines {

    private final Map<Long, DraftMapper.Written> written = new HashMap<>();

    public FieldLines(List<DraftMapper.Written> written) {
        written.forEach(each -> this.written.put(each.id(), each));
    }

    /** A field of an item; null where it has none such by nature. */
    public FieldLine of(DraftMapper.Core item, String field) {
        return switch (field) {
            case "title" -> line(item.id(), field, item.title(), item.titleCount(), item.titleAlike());
            case "description" ->
                line(item.id(), field, item.description(), item.descriptionCount(), item.descriptionAlike());
            default -> item.tags() == null ? null : line(item.id(), field, item.tags(), 1, item.tagsAlike());
        };
    }

    private FieldLine line(long item, String field, String captured, int count, long alike) {
        DraftMapper.Written own = written.get(FieldId.of(item, field));
        if (own == null) return new FieldLine(item, field, captured, count, null, "", null, null, alike);
        return new FieldLine(
                item,
                field,
                captured,
                count,
                own.draft(),
                own.state(),
                own.batchId(),
                own.kept(),
                own.alike() == null ? alike : own.alike());
    }
}
