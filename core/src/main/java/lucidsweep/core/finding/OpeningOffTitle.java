package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.standard.Standard;

/** The description of a listing or video does not open with words of its title, although its first letters are all that is shown. */
final class OpeningOffTitle extends TextCheck {

    OpeningOffTitle() {
        super(Field.DESCRIPTION, "opening-off-title", "opening without the title’s words", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "does not open with the title’s words", "do not open with their titles’ words");
    }

    @Override
    public String limit(Standard standard) {
        return "within the first " + standard.wording().openingChars() + " characters";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.isPage() || !item.title().present()) return;
        int opening = around.standard().wording().openingChars();
        var opens = text.words().stream()
                .filter(word -> word.start() < opening)
                .map(Word::stem)
                .collect(Collectors.toSet());
        List<Word> wanted =
                item.title().words().stream().filter(word -> !word.stop()).toList();
        if (wanted.isEmpty() || wanted.stream().anyMatch(word -> opens.contains(word.stem()))) return;
        found.accept(finding("no word of the title stands in its first " + opening + " characters"));
    }
}
