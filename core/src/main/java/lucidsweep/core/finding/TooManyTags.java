package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;

/** More tags than are allowed. */
final class TooManyTags extends TagCheck {

    TooManyTags() {
        super("too-many", "too many");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has too many tags", "have too many tags");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.tags().max() + " tags";
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int max = around.standard().tags().max();
        if (tags.size() > max) found.accept(finding(tags.size() + " tags, " + max + " are allowed"));
    }
}
