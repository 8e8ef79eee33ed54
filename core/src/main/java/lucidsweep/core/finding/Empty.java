package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title, description or H1 is there, but without text. */
final class Empty extends Check {

    Empty(Field field) {
        super(field, "empty", "empty", field == Field.H1 ? Cost.NEITHER : Cost.APPEAL, Fix.ofText(field));
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is present but empty", "are present but empty");
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        InspectedText text = item.text(field());
        if (!text.present() && text.captured() > 0) {
            found.accept(finding("the " + field().label() + " is present but empty"));
        }
    }
}
