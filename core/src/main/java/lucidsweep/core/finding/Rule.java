package lucidsweep.core.finding;

import java.util.function.Consumer;

/** One thing that is looked for. */
@FunctionalInterface
interface Rule {

    void check(InspectedItem item, InspectionContext around, Consumer<Finding> found);
}
