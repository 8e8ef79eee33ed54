package lucidsweep.server.rewrite;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.item.draft.FieldLine;

/** Sees to it that no two items get the same text: the later one gets the part that tells it apart, or stays as it is. */
final class DistinctTexts {

    private final Edit edit;
    private final long[] selected;
    private final Set<Long> taken = new HashSet<>();
    private final Map<Long, Boolean> heldElsewhere = new HashMap<>();

    /** @param selected all items of the edit, in ascending order */
    DistinctTexts(Edit edit, long[] selected) {
        this.edit = edit;
        this.selected = selected;
    }

    Proposal of(MadeText made) {
        Proposal proposal = made.proposal();
        if (proposal.isLeft() || claim(made, proposal.after())) return proposal;
        for (String telling : made.tellingApart().get()) {
            String apart = made.apart().apply(telling);
            if (!apart.isEmpty() && claim(made, apart)) return made.with(apart, Proposal.Result.TOLD_APART);
        }
        return made.with(proposal.after(), Proposal.Result.ALIKE);
    }

    private boolean claim(MadeText made, String text) {
        long hash = TextKey.hash(text);
        long own = made.field().itemId();
        return !heldElsewhere.computeIfAbsent(hash, key -> isHeldElsewhere(key, own)) && taken.add(hash);
    }

    /** Whether another item has the text and keeps it: one that is not selected or stays as it is. */
    private boolean isHeldElsewhere(long hash, long own) {
        // Which other texts are alike is not known beside the selected ones.
        if (edit.field() != Field.TITLE && edit.field() != Field.DESCRIPTION) return false;
        long[] others = edit.items().alikeItems(edit.property().id(), edit.field(), List.of(hash)).stream()
                .mapToLong(Long::longValue)
                .filter(id -> id != own)
                .toArray();
        if (others.length == 0) return false;
        if (Arrays.stream(others).anyMatch(id -> Arrays.binarySearch(selected, id) < 0)) return true;
        return edit.drafts().fields(others, edit.field()).stream().anyMatch(FieldLine::isKept);
    }
}
