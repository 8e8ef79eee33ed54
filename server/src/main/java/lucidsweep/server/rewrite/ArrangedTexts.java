package lucidsweep.server.rewrite;

import java.util.List;
import java.util.function.UnaryOperator;
import lucidsweep.core.compose.Arrangement;
import lucidsweep.core.compose.Condition;
import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.rewrite.blocks.TextBlocks;

/** Descriptions with the blocks that all share below them, as the blocks are now; or without them. */
final class ArrangedTexts implements TextMaker {

    private final Edit edit;
    private final TextBlocks.Arranged blocks;
    private final RecipeSources sources;

    ArrangedTexts(Edit edit, TextBlocks.Arranged blocks, RecipeSources sources) {
        this.edit = edit;
        this.blocks = blocks;
        this.sources = sources;
    }

    @Override
    public List<MadeText> of(long[] ids) {
        ItemStandards.Held held = edit.standards().held(ids);
        return edit.items().details(edit.property().id(), ids).stream()
                .map(item -> MadeText.of(of(item, item.description(), held.standard(item.id()))))
                .toList();
    }

    private Proposal of(ItemDetail item, FieldLine field, Standard standard) {
        if (field.isKept()) return Proposal.unchanged(field, standard, Proposal.Result.KEPT);
        ItemSources of = sources.of(item, RecipeSources.Beside.NONE, name -> "");
        UnaryOperator<String> valueOf = name -> BlockValues.of(name, of, item.address());
        List<String> wanted = edit.spec().tool().equals("blocks")
                ? blocks.of(language -> of.holds(Condition.What.LANGUAGE, language), valueOf)
                : List.of();
        String own = Arrangement.own(field.text(), blocks.knownOf(valueOf));
        Proposal proposal = edit.whole(
                field,
                standard,
                Arrangement.of(own, wanted, standard.description().maxChars()));
        boolean cut = wanted.stream().anyMatch(block -> !proposal.after().contains(block.strip()));
        return proposal.changes() && cut
                ? new Proposal(field, standard, proposal.after(), Proposal.Result.SHORTENED)
                : proposal;
    }
}
