package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** More than one title, description or H1 on a page. */
final class SeveralElements extends Check {

    SeveralElements(Field field) {
        super(field, "several", "more than one", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has more than one " + field().label(), "have more than one " + field().label());
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int count = item.text(field()).captured();
        if (count > 1) found.accept(finding("the page has " + count + " " + field().label() + "s"));
    }
}
