package lucidsweep.server.rewrite;

import java.util.List;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import lucidsweep.server.item.draft.FieldLine;

/**
 * What was made of one item by itself.
 *
 * @param tellingApart what could tell it apart from an item with the same text, in falling order
 * @param apart makes the text with one of these; "" where that cannot be
 */
record MadeText(Proposal proposal, Supplier<List<String>> tellingApart, UnaryOperator<String> apart) {

    /** One that cannot be told apart from others. */
    static MadeText of(Proposal proposal) {
        return new MadeText(proposal, List::of, telling -> "");
    }

    FieldLine field() {
        return proposal.field();
    }

    /** The same with another text. */
    Proposal with(String text, Proposal.Result result) {
        return new Proposal(field(), proposal.standard(), text, result);
    }
}
