package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;

/** Fewer tags than there is room for. */
final class TagsUnused extends TagCheck {

    TagsUnused() {
        super("budget-unused", "left unused");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("leaves tags unused", "leave tags unused");
    }

    @Override
    public String limit(Standard standard) {
        return standard.tags().max() + " tags";
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int max = around.standard().tags().max();
        if (tags.isEmpty() || tags.size() >= max) return;
        found.accept(finding(tags.size() + " of " + max + " tags are used"));
    }
}
