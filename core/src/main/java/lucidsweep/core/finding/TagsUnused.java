package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.Standard.TagLimits;

/** Fewer tags than there is room for: one more, as long as those there are, would fit. */
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
        return standard.tags().max() + " tags, " + standard.tags().maxTotalChars() + " characters";
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        TagLimits limits = around.standard().tags();
        if (tags.isEmpty() || tags.size() >= limits.max()) return;
        int chars = TagLimits.chars(tags);
        if (chars + 1 + chars / tags.size() > limits.maxTotalChars()) return;
        found.accept(finding(tags.size() + " of " + limits.max() + " tags and " + chars + " of "
                + limits.maxTotalChars() + " characters are used"));
    }
}
