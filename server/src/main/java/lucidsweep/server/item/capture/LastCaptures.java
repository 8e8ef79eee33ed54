package lucidsweep.server.item.capture;

import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.Packed;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** What the last sweep saw of an item, whole. */
@Service
public class LastCaptures {

    private final LastCaptureMapper mapper;
    private final ImportedRows imports;

    LastCaptures(LastCaptureMapper mapper, ImportedRows imports) {
        this.mapper = mapper;
        this.imports = imports;
    }

    /**
     * An item as it was captured last.
     *
     * @param facts as JSON
     * @param links one a line, as {@link CapturedItem.Content} has them
     * @param hasSource whether its markup was kept
     */
    public record LastCapture(long sweepId, String facts, String links, boolean hasSource) {}

    public LastCapture of(long itemId) {
        LastCaptureMapper.Row row = mapper.of(itemId);
        if (row == null) throw Refusal.notFound("there is no item " + itemId);
        if (row.sweepId() != null) {
            return new LastCapture(row.sweepId(), row.facts(), Packed.text(row.links()), row.hasSource());
        }
        ImportedRow imported = imports.of(List.of(row.captureId())).get(row.captureId());
        if (imported == null) throw Refusal.notFound("what was captured of item " + itemId + " is not kept any more");
        return new LastCapture(IdRange.owner(row.captureId()), imported.facts(), "", false);
    }

    /** The addresses at which the same page stands, too. */
    public List<String> alsoAt(long itemId) {
        return mapper.twins(itemId);
    }

    /** The markup of a page as it came. */
    public byte[] source(long itemId) {
        LastCaptureMapper.Markup source = mapper.source(itemId);
        if (source == null) throw Refusal.notFound("the markup of item " + itemId + " was not kept");
        return Packed.bytes(source.markup());
    }
}
