package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** A tag of a single word, for which an item hardly ever ranks. */
final class OneWordTag extends TagCheck {

    OneWordTag() {
        super("one-word", "one-word tag");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has tags of one word", "have tags of one word");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        report(tags.stream().filter(tag -> TextKey.key(tag).indexOf(' ') < 0), "of one word only", found);
    }
}
