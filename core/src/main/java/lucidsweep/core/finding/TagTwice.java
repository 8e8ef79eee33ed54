package lucidsweep.core.finding;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** The same tag twice; case, spacing and punctuation do not count. */
final class TagTwice extends TagCheck {

    TagTwice() {
        super("same-twice", "the same tag twice");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has the same tag twice", "have the same tag twice");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Set<String> known = new HashSet<>();
        report(tags.stream().filter(tag -> !known.add(TextKey.key(tag))), "there twice", found);
    }
}
