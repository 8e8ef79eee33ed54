package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** The description only repeats the title. */
final class SameAsTitle extends TextCheck {

    /** Spacing and punctuation make no text so much longer than another of the same words. */
    private static final int MUCH_LONGER = 2;

    SameAsTitle() {
        super(Field.DESCRIPTION, "same-as-title", "same as the title", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "only repeats the title", "only repeat the title");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (text.value().length() > MUCH_LONGER * item.title().value().length()) return;
        if (!text.key().isEmpty() && text.key().equals(item.title().key())) {
            found.accept(finding("the title says the same"));
        }
    }
}
