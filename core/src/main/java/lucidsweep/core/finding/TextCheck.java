package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A check of a title or description that is there; missing ones are said to be missing and nothing else. */
abstract class TextCheck extends Check {

    TextCheck(Field field, String code, String label, Cost cost, Fix fix) {
        super(field, code, label, cost, fix);
    }

    @Override
    final void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        InspectedText text = item.text(field());
        if (text.present()) look(text, item, around, found);
    }

    abstract void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found);
}
