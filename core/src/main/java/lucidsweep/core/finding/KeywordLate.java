package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.standard.Standard;

/** A title comes late to the item's keyword. */
final class KeywordLate extends TextCheck {

    KeywordLate() {
        super(Field.TITLE, "keyword-late", "keyword late", Cost.REACH, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has the keyword late", "have the keyword late");
    }

    @Override
    public String limit(Standard standard) {
        return "within the first " + standard.leadingWords() + " words";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isEmpty()) return;
        Phrase keyword = item.keyword().get();
        PhraseMatch match = text.match(keyword);
        int leading = around.standard().leadingWords();
        if (!match.present() || match.leading(leading)) return;
        found.accept(finding("“" + keyword.text() + "” starts at word " + (match.startsAt() + 1)
                + ", expected within the first " + leading));
    }
}
