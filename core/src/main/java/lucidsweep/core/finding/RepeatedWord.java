package lucidsweep.core.finding;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.FirstLetters;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.standard.Standard;

/** A word that stands in a title more often than the standard allows, or twice in a row. Stop words and numbers are free. */
final class RepeatedWord extends TextCheck {

    RepeatedWord() {
        super(Field.TITLE, "repeated-word", "repeated word", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "repeats a word", "repeat a word");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.maxRepeats() + " times";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!FirstLetters.of(text.value()).mayRepeat(around.standard().maxRepeats())) return;
        Map<String, Integer> counts = new HashMap<>();
        Word previous = null;
        List<Word> words = text.words();
        for (Word word : words) {
            if (word.stop() || Character.isDigit(word.text().charAt(0))) continue;
            int count = counts.merge(word.stem(), 1, Integer::sum);
            boolean inARow = previous != null
                    && previous.text().equalsIgnoreCase(word.text())
                    && word.start() - previous.end() == 1;
            if (count > around.standard().maxRepeats() || inARow) {
                found.accept(finding("“" + word.text() + "” stands " + total(words, word) + " times"));
                return;
            }
            previous = word;
        }
    }

    private static long total(List<Word> words, Word word) {
        return words.stream().filter(each -> each.stem().equals(word.stem())).count();
    }
}
