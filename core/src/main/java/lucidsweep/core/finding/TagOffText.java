package lucidsweep.core.finding;

import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** A tag of which no word stands in the title or the description. */
final class TagOffText extends TagCheck {

    TagOffText() {
        super("off-text", "tag without a place in the texts");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has tags that neither title nor description contains",
                "have tags that neither title nor description contains");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String texts = " " + item.title().key() + " " + item.description().key() + " ";
        report(
                tags.stream()
                        .filter(tag -> Arrays.stream(TextKey.key(tag).split(" "))
                                .noneMatch(word -> word.length() > 2 && texts.contains(" " + word))),
                "neither in the title nor in the description",
                found);
    }
}
