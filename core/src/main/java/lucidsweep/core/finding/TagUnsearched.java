package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** A tag that nobody searches for, as far as searches are known. */
final class TagUnsearched extends TagCheck {

    TagUnsearched() {
        super("unsearched", "tag that nobody searches for");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has tags that nobody searches for", "have tags that nobody searches for");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (around.tags().unsearched().isEmpty()) return;
        report(
                tags.stream().filter(tag -> around.tags().unsearched().contains(TextKey.key(tag))),
                "not searched for",
                found);
    }
}
