package lucidsweep.server.rewrite;

import java.util.List;
import java.util.Map;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemStandards;

/** Texts that were written elsewhere; an item of which none was stays as it is. */
final class TakenTexts implements TextMaker {

    private final Edit edit;
    private final WrittenTexts written;

    /** @throws lucidsweep.server.web.Refusal where there is no such column */
    TakenTexts(Edit edit, WrittenTexts written) {
        this.edit = edit;
        this.written = written;
        texts(new long[0]);
    }

    private Map<Long, String> texts(long[] ids) {
        return written.of(edit.property().id(), edit.spec().with(), edit.field(), ids);
    }

    @Override
    public List<MadeText> of(long[] ids) {
        ItemStandards.Held held = edit.standards().held(ids);
        Map<Long, String> texts = texts(ids);
        return edit.drafts().fields(ids, edit.field()).stream()
                .map(field -> MadeText.of(of(field, texts.get(field.itemId()), held.standard(field.itemId()))))
                .toList();
    }

    private Proposal of(FieldLine field, String text, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        if (text == null) return Proposal.unchanged(field, standard, Proposal.Result.NOTHING);
        return edit.whole(
                field, standard, PartTexts.areOf(field.field()) ? PartTexts.merged(field.text(), text) : text);
    }
}
