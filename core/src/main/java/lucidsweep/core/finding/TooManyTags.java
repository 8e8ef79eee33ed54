package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.Standard.TagLimits;

/** More tags than are allowed, or longer ones together. */
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
        return "at most " + standard.tags().max() + " tags, " + standard.tags().maxTotalChars() + " characters";
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        TagLimits limits = around.standard().tags();
        int chars = TagLimits.chars(tags);
        if (tags.size() > limits.max()) {
            found.accept(finding(tags.size() + " tags, " + limits.max() + " are allowed"));
        } else if (chars > limits.maxTotalChars()) {
            found.accept(finding(chars + " characters together, " + limits.maxTotalChars() + " are allowed"));
        }
    }
}
