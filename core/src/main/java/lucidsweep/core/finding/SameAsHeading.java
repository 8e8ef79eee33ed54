package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** The title only repeats the H1. */
final class SameAsHeading extends TextCheck {

    SameAsHeading() {
        super(Field.TITLE, "same-as-h1", "same as the H1", Cost.REACH, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "only repeats the H1", "only repeat the H1");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.h1().present() && text.key().equals(item.h1().key())) found.accept(finding("the H1 says the same"));
    }
}
