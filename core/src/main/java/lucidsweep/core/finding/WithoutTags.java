package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.text.TextKey;

/** The description of an item has no word of any of its tags. */
final class WithoutTags extends TextCheck {

    WithoutTags() {
        super(Field.DESCRIPTION, "without-tags", "without words of its tags", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    public boolean needsTags() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has no word of the item’s tags", "have no word of their items’ tags");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.tags() == null || item.tags().isEmpty()) return;
        var words = text.words().stream().map(Word::stem).collect(Collectors.toSet());
        for (String tag : item.tags()) {
            for (String word : TextKey.key(tag).split(" ")) {
                if (words.contains(word) || text.key().contains(word)) return;
            }
        }
        found.accept(finding("none of the words of its " + item.tags().size() + " tags stands in it"));
    }
}
