package lucidsweep.server.rewrite;

import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import lucidsweep.core.edit.BulkEdit;
import lucidsweep.core.edit.RunawayPattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemStandards;

/** Texts that a bulk edit changes. */
final class EditedTexts implements TextMaker {

    private static final int RUNAWAYS_ENDURED = 5;

    private final Edit edit;
    private final TagSets tagSets;
    private final Map<Standard, BulkEdit> byStandard = Collections.synchronizedMap(new IdentityHashMap<>());
    private final AtomicInteger runaways = new AtomicInteger();

    /** @throws lucidsweep.server.web.Refusal where what is to be done cannot be read */
    EditedTexts(Edit edit, TagSets tagSets) {
        this.edit = edit;
        this.tagSets = tagSets;
        bulkEdit(edit.standards().base());
    }

    private BulkEdit bulkEdit(Standard standard) {
        return byStandard.computeIfAbsent(standard, this::newEdit);
    }

    /** Of the images or links of a page each text is edited by itself. */
    private BulkEdit newEdit(Standard standard) {
        BulkEdit made =
                edit.spec().bulkEdit(standard, edit.client(), edit.words(), () -> tagSets.searches(edit.property()));
        return PartTexts.areOf(edit.field()) ? text -> PartTexts.changed(text, made::apply) : made;
    }

    @Override
    public List<MadeText> of(long[] ids) {
        ItemStandards.Held held = edit.standards().held(ids);
        Map<Long, String> titles = bulkEdit(edit.standards().base()).needsTitle()
                ? edit.drafts().fields(ids, Field.TITLE).stream()
                        .collect(Collectors.toMap(FieldLine::itemId, FieldLine::text))
                : Map.of();
        return edit.drafts().fields(ids, edit.field()).stream()
                .map(field -> of(field, titles.getOrDefault(field.itemId(), ""), held.standard(field.itemId())))
                .map(MadeText::of)
                .toList();
    }

    private Proposal of(FieldLine field, String title, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        if (runaways.get() >= RUNAWAYS_ENDURED) return Proposal.unchanged(field, standard, Proposal.Result.RUNAWAY);
        try {
            String after = bulkEdit(standard).apply(field.text(), title);
            return after.equals(field.text())
                    ? Proposal.unchanged(field, standard, Proposal.Result.UNCHANGED)
                    : edit.whole(field, standard, after);
        } catch (RunawayPattern e) {
            runaways.incrementAndGet();
            return Proposal.unchanged(field, standard, Proposal.Result.RUNAWAY);
        }
    }
}
