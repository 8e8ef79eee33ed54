package lucidsweep.server.item.table;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Inbound;
import lucidsweep.core.finding.PageNotes;
import lucidsweep.core.page.Noindex;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.FieldLines;

/** Puts items together from stretches of the tables that hold their parts; faster than joining them row by row. */
final class Details {

    private final FieldLines fields;
    private final Map<Long, String> keywords;
    private final Map<Long, ItemMapper.Captured> captures;
    private final Map<Long, String> siteNotes = new HashMap<>();
    private final Map<Long, Inbound> inbound = new HashMap<>();

    Details(List<DraftMapper.DraftRow> drafts, List<ItemMapper.Aimed> aims, List<ItemMapper.Captured> captures) {
        this(new FieldLines(drafts), aims, captures);
    }

    /** The same with fields that are put together already. */
    Details(FieldLines fields, List<ItemMapper.Aimed> aims, List<ItemMapper.Captured> captures) {
        this.fields = fields;
        this.keywords = new HashMap<>();
        aims.forEach(aim -> keywords.put(aim.itemId(), aim.phrase()));
        this.captures = captures.stream().collect(Collectors.toMap(ItemMapper.Captured::itemId, Function.identity()));
    }

    /** Adds what is known of the site around the items. */
    Details with(List<ItemMapper.SiteNote> notes, List<ItemMapper.LinkedBy> links) {
        notes.forEach(note -> siteNotes.put(note.itemId(), note.notes()));
        links.forEach(each -> inbound.put(each.itemId(), each.inbound()));
        return this;
    }

    List<ItemDetail> of(List<DraftMapper.Core> cores) {
        return cores.stream().map(this::of).toList();
    }

    private ItemDetail of(DraftMapper.Core core) {
        ItemMapper.Captured captured = captures.get(core.id());
        return new ItemDetail(
                core.id(),
                core.address(),
                core.noindexReason() == null
                        ? null
                        : new Noindex(Noindex.Reason.of(core.noindexReason()), core.noindexDetail()),
                core.section(),
                core.seen(),
                new ItemFields(core, fields),
                keywords.get(core.id()),
                PageNotes.read(core.notes() + siteNotes.getOrDefault(core.id(), "")),
                inbound.getOrDefault(core.id(), Inbound.NONE),
                captured == null
                        ? null
                        : new ItemDetail.Captured(captured.facts(), captured.copy(), captured.linkTexts()));
    }
}
