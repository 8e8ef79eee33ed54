package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** There is no title, description or H1 at all. */
final class Missing extends Check {

    Missing(Field field) {
        super(field, "missing", "missing", field == Field.H1 ? Cost.NEITHER : Cost.APPEAL, Fix.ofText(field));
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has no " + field().label(), "have no " + field().label());
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        InspectedText text = item.text(field());
        if (!text.present() && text.captured() == 0) found.accept(finding("there is no " + field().label()));
    }
}
