package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A page without an H1. */
final class MissingHeading implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.h1Count() == 0) found.accept(Finding.of(Field.H1, FindingKind.MISSING, "there is no H1"));
    }
}
