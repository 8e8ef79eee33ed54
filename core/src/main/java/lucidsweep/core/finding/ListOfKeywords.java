package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** A title that lists phrases instead of saying something: "Kayak hire, canoe hire, paddle hire, boat hire". */
final class ListOfKeywords extends TextCheck {

    private static final Pattern SEPARATOR = Pattern.compile("\\s*[,;/|•·]\\s*|\\s+[-–—]\\s+");
    private static final String SEPARATORS = ",;/|•·-–—";
    private static final Pattern SPACE = Pattern.compile("\\s+");
    private static final int SHORT_PHRASE = 3;

    ListOfKeywords() {
        super(Field.TITLE, "list-of-keywords", "list of keywords", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is a list of keywords", "are lists of keywords");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.wording().maxPhrases() + " short phrases";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int max = around.standard().wording().maxPhrases();
        if (separators(text.value()) < max) return;
        int phrases = 0;
        for (String phrase : SEPARATOR.split(text.value().strip())) {
            if (!phrase.isEmpty() && SPACE.split(phrase).length <= SHORT_PHRASE) phrases++;
        }
        if (phrases > max) {
            found.accept(finding(phrases + " short phrases in a row"));
        }
    }

    private static int separators(String text) {
        int count = 0;
        for (int i = 0; i < text.length(); i++) if (SEPARATORS.indexOf(text.charAt(i)) >= 0) count++;
        return count;
    }
}
