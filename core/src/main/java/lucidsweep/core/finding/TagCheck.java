package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;

/** A check of the tags of an item that has tags by nature. */
abstract class TagCheck extends Check {

    TagCheck(String code, String label) {
        super(Field.TAGS, code, label, Cost.REACH, Fix.TAGS);
    }

    @Override
    final void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.tags() != null) look(item.tags(), item, around, found);
    }

    abstract void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found);

    /** Reports the tags of which something is to be said, if any: "sea, boat are of one word only". */
    final void report(Stream<String> tags, String what, Consumer<Finding> found) {
        List<String> those = tags.toList();
        if (those.isEmpty()) return;
        found.accept(finding(String.join(", ", those) + (those.size() == 1 ? " is " : " are ") + what));
    }
}
