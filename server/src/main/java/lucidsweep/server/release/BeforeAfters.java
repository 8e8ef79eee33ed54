package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.WordDifference;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.item.table.StoredFinding;
import lucidsweep.server.triage.Findings;
import org.springframework.stereotype.Service;

/** What drafts make of an item: word by word, at true measure, and what that mends and what it breaks. */
@Service
class BeforeAfters {

    private final Items items;
    private final Clients clients;
    private final Drafts drafts;
    private final SetStandards standards;
    private final Findings findings;

    BeforeAfters(Items items, Clients clients, Drafts drafts, SetStandards standards, Findings findings) {
        this.items = items;
        this.clients = clients;
        this.drafts = drafts;
        this.standards = standards;
        this.findings = findings;
    }

    /**
     * A text that is drafted.
     *
     * @param words what became of it, word by word; empty of alt texts and link texts, which are lines
     * @param beforeFit, afterFit null where the standard has no limits for the field
     */
    record DraftedText(
            Field field,
            String before,
            String after,
            DraftState state,
            List<WordDifference.WordRun> words,
            @Nullable LimitCheck beforeFit,
            @Nullable LimitCheck afterFit) {}

    record FoundCheck(Field field, String check) {}

    /**
     * What drafts make of an item.
     *
     * @param gone what is found without the drafts and not with them
     * @param come what is found with them only
     * @param before, after the clicks a month at stake without the drafts, and with them
     */
    record BeforeAfter(
            List<DraftedText> texts, List<FoundCheck> gone, List<FoundCheck> come, Stake before, Stake after) {}

    BeforeAfter of(long itemId) {
        long propertyId = items.propertyOf(itemId);
        long[] ids = {itemId};
        Standard standard = standards.of(clients.property(propertyId)).held(ids).standard(itemId);
        List<DraftedText> texts = FieldId.FIELDS.stream()
                .flatMap(field -> drafts.fields(ids, field).stream())
                .filter(line -> Objects.nonNull(line.draft()))
                .map(line -> text(line, standard))
                .toList();
        if (texts.isEmpty()) return new BeforeAfter(texts, List.of(), List.of(), Stake.NONE, Stake.NONE);
        Findings.Tried before = findings.triedWithoutDrafts(propertyId, itemId);
        Findings.Tried after = findings.triedAsDrafted(propertyId, itemId);
        return new BeforeAfter(
                texts,
                without(before.found(), after.found()),
                without(after.found(), before.found()),
                before.left(),
                after.left());
    }

    private static DraftedText text(FieldLine line, Standard standard) {
        boolean measured = line.field() == Field.TITLE || line.field() == Field.DESCRIPTION;
        return new DraftedText(
                line.field(),
                line.captured(),
                line.draft(),
                line.state(),
                PartTexts.areOf(line.field()) ? List.of() : WordDifference.of(line.captured(), line.draft()),
                measured ? LimitCheck.of(line.captured(), standard.limits(line.field())) : null,
                measured ? LimitCheck.of(line.draft(), standard.limits(line.field())) : null);
    }

    private static List<FoundCheck> without(List<StoredFinding> found, List<StoredFinding> others) {
        List<FoundCheck> left = new ArrayList<>(found.stream()
                .map(each -> new FoundCheck(each.field(), each.check()))
                .toList());
        others.forEach(each -> left.remove(new FoundCheck(each.field(), each.check())));
        return left;
    }
}
