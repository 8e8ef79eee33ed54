package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;

/** No tags at all, where the item has them by nature. */
final class TagsMissing extends TagCheck {

    TagsMissing() {
        super("missing", "missing");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has no tags", "have no tags");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (tags.isEmpty()) found.accept(finding("there are no tags"));
    }
}
