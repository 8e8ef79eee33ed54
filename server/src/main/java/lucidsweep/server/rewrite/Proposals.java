package lucidsweep.server.rewrite;

import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.server.job.Lookahead;

/** Works out, item by item, what an edit would make of a selection; the same for a preview and for the batch itself. */
final class Proposals {

    private static final int CHUNK = 200;

    private final Edit edit;
    private final TextMaker maker;
    private final Consequences.Sum consequences;

    /** @param consequences adds up what follows from the changes; null where nothing does */
    Proposals(Edit edit, TextMaker maker, Consequences.Sum consequences) {
        this.edit = edit;
        this.maker = maker;
        this.consequences = consequences;
    }

    /** Proposes for all of the ids, which ascend, in their order and a chunk at a time. */
    void forEach(long[] ids, Consumer<List<Proposal>> visit) {
        maker.begin(ids);
        Function<List<MadeText>, List<Proposal>> told = told(ids);
        Lookahead.over(ids, CHUNK, maker::of, made -> {
            List<Proposal> proposals = told.apply(made);
            if (consequences != null) consequences.add(changed(proposals));
            visit.accept(proposals);
        });
    }

    /**
     * What would become of some items by themselves, whatever becomes of the others; nothing where they have to be looked at
     * together.
     *
     * @param ids in ascending order
     */
    List<Proposal> early(long[] ids) {
        if (ids.length == 0 || edit.spec().isTagSets() || edit.field() == Field.SLUG) return List.of();
        return maker.of(ids).stream().map(MadeText::proposal).toList();
    }

    /** What was made of each by itself is held against the others, one after another. */
    private Function<List<MadeText>, List<Proposal>> told(long[] ids) {
        if (edit.field() == Field.SLUG) return new FreeSlugs(edit)::of;
        boolean mayBeAlike = !edit.spec().isRecipe() && !edit.spec().isWritten() || PartTexts.areOf(edit.field());
        if (mayBeAlike) return made -> made.stream().map(MadeText::proposal).toList();
        DistinctTexts distinct = new DistinctTexts(edit, ids);
        return made -> made.stream().map(distinct::of).toList();
    }

    private static Map<Long, String> changed(List<Proposal> proposals) {
        return proposals.stream()
                .filter(Proposal::changes)
                .collect(Collectors.toMap(proposal -> proposal.field().itemId(), Proposal::after));
    }

    /** What there is to say of all together, once they were worked out; null for nothing. */
    String says() {
        return consequences == null ? maker.says() : consequences.says();
    }

    /** What recipes leave out of the texts of some items, by item; nothing of other edits. */
    Map<Long, List<Composition.LeftOut>> leftOut(long[] ids) {
        return maker.leftOut(ids);
    }
}
