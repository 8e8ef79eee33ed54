package lucidsweep.server.rewrite;

import java.util.List;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemStandards;

/** Tags that are chosen for all items together. */
final class ChosenTags implements TextMaker {

    private final Edit edit;
    private final TagSets tagSets;
    private volatile TagSets.Made chosen;

    ChosenTags(Edit edit, TagSets tagSets) {
        this.edit = edit;
        this.tagSets = tagSets;
    }

    @Override
    public void begin(long[] selected) {
        EditSpec spec = edit.spec();
        List<String> forbidden = spec.tags() == null ? List.of() : spec.tags();
        chosen = spec.isSeason()
                ? tagSets.ofSeason(edit.property(), edit.standards(), selected, spec.month())
                : tagSets.of(
                        edit.property(), edit.client(), edit.standards(), selected, forbidden, spec.brandPercent());
    }

    @Override
    public String says() {
        return chosen == null ? null : chosen.says();
    }

    @Override
    public List<MadeText> of(long[] ids) {
        ItemStandards.Held held = edit.standards().held(ids);
        return edit.drafts().fields(ids, edit.field()).stream()
                .map(field -> MadeText.of(of(field, held.standard(field.itemId()))))
                .toList();
    }

    private Proposal of(FieldLine field, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        return edit.whole(field, standard, chosen.texts().getOrDefault(field.itemId(), field.text()));
    }
}
