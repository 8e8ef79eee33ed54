package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;

/** The H1 lacks words of the item's keyword. */
final class HeadingKeywordMissing extends TextCheck {

    HeadingKeywordMissing() {
        super(Field.H1, "keyword-missing", "keyword missing", Cost.REACH, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "lacks words of the page’s keyword", "lack words of their pages’ keywords");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isEmpty()) return;
        Phrase keyword = item.keyword().get();
        PhraseMatch match = text.match(keyword);
        if (match.present()) return;
        found.accept(finding("“" + keyword.text() + "” lacks: " + String.join(", ", match.missing())));
    }
}
