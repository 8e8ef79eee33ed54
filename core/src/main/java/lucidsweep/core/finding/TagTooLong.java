package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** A tag with more characters than are allowed. */
final class TagTooLong extends TagCheck {

    TagTooLong() {
        super("too-long", "too long");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has a tag that is too long", "have a tag that is too long");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.tags().maxChars() + " characters";
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int max = around.standard().tags().maxChars();
        report(tags.stream().filter(tag -> Graphemes.count(tag) > max), "longer than " + max + " characters", found);
    }
}
