package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.PhraseMatch;

/** A page that is linked to by different words, none of which are its keyword's. */
final class LinkKeywordMissing extends Check {

    private static final int ENOUGH = 2;

    LinkKeywordMissing() {
        super(Field.LINKS, "keyword-missing", "keyword missing", Cost.REACH, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "is not linked to by any word of its keyword", "are not linked to by any word of their keywords");
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isEmpty() || item.inbound().texts().size() < ENOUGH) return;
        int words = item.keyword().get().words().size();
        for (String text : item.inbound().texts()) {
            PhraseMatch match = PhraseMatch.of(
                    item.title().language().of(text), item.keyword().get());
            if (match.missing().size() < words) return;
        }
        found.accept(finding(item.inbound().texts().size() + " texts, such as “"
                + CapturedCheck.clipped(item.inbound().texts().get(0)) + "”"));
    }
}
