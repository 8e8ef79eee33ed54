package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;

/** A text has not one word of the item's keyword. */
final class KeywordMissing extends TextCheck {

    KeywordMissing(Field field) {
        super(
                field,
                "keyword-missing",
                "keyword missing",
                field == Field.TITLE ? Cost.REACH : Cost.APPEAL,
                Fix.ofText(field));
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has no word of the item’s keyword", "have no word of their items’ keywords");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isEmpty()) return;
        Phrase keyword = item.keyword().get();
        if (text.match(keyword).startsAt() < 0) {
            found.accept(finding("“" + keyword.text() + "” is missing"));
        }
    }
}
