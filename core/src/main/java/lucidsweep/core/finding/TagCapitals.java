package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;

/** A tag in capitals only. */
final class TagCapitals extends TagCheck {

    TagCapitals() {
        super("capitals", "capitals only");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has tags in capitals", "have tags in capitals");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        report(tags.stream().filter(TagCapitals::isShouted), "in capitals", found);
    }

    private static boolean isShouted(String tag) {
        return tag.codePoints().filter(Character::isUpperCase).count() > 3
                && tag.codePoints().noneMatch(Character::isLowerCase);
    }
}
