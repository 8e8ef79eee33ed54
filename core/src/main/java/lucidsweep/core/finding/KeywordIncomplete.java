package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;

/** A text has some words of the item's keyword and lacks others; a place that is all it lacks is said by {@link PlaceMissing}. */
final class KeywordIncomplete extends TextCheck {

    KeywordIncomplete(Field field) {
        super(
                field,
                "keyword-incomplete",
                "words of the keyword missing",
                field == Field.TITLE ? Cost.REACH : Cost.APPEAL,
                Fix.ofText(field));
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "lacks words of the item’s keyword", "lack words of their items’ keywords");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isEmpty()) return;
        Phrase keyword = item.keyword().get();
        PhraseMatch match = text.match(keyword);
        if (match.present() || match.startsAt() < 0 || PlaceMissing.isAll(match, keyword, around)) return;
        found.accept(finding("“" + keyword.text() + "” lacks: " + String.join(", ", match.missing())));
    }
}
