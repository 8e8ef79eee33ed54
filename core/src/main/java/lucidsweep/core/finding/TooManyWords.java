package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** A title or description of more words than the standard allows, whatever its width. */
final class TooManyWords extends TextCheck {

    TooManyWords(Field field) {
        super(field, "too-many-words", "too many words", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has too many words", "have too many words");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + most(standard) + " words";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int over = text.words().size() - most(around.standard());
        if (over > 0) found.accept(finding(Sentence.number(over) + " over " + most(around.standard())));
    }

    private int most(Standard standard) {
        return field() == Field.TITLE
                ? standard.wording().maxTitleWords()
                : standard.wording().maxDescriptionWords();
    }
}
