package lucidsweep.core.finding;

import java.util.function.Consumer;

/** One thing that is looked for. */
@FunctionalInterface
interface Rule {

    void check(Subject item, Surroundings around, Consumer<Finding> found);
}
