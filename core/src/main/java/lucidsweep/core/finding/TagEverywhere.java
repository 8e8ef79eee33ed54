package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** A tag on nearly every item of a property: it tells none apart. */
final class TagEverywhere extends TagCheck {

    TagEverywhere() {
        super("everywhere", "tag on nearly every item");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has tags that nearly every item has", "have tags that nearly every item has");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (around.tags().everywhere().isEmpty()) return;
        report(
                tags.stream().filter(tag -> around.tags().everywhere().contains(TextKey.key(tag))),
                "on nearly every item",
                found);
    }
}
