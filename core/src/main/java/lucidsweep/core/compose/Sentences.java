package lucidsweep.core.compose;

import java.util.List;
import java.util.function.Predicate;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import lucidsweep.core.text.Spaces;

/** Sentences of a page's copy. */
public final class Sentences {

    private static final Pattern END = Pattern.compile("[.!?…]+[\"'”’»)]*(?=\\s|$)");
    private static final int FEWEST_WORDS = 5;

    private Sentences() {}

    /** Where the sentences of a text end, in UTF-16 units; what follows the last one is none. */
    public static List<Integer> ends(String text) {
        return END.matcher(text).results().map(MatchResult::end).toList();
    }

    /** As many whole sentences of a text as pass a test; "" where not even the first does. */
    public static String fitting(String text, Predicate<String> fits) {
        String best = "";
        for (int end : ends(text)) {
            String sentences = text.substring(0, end);
            if (!fits.test(sentences)) break;
            best = sentences;
        }
        return best;
    }

    /**
     * The first sentence that says something: of five words and more, and ended.
     *
     * @return "" where there is none
     */
    public static String firstGood(String copy) {
        String text = Spaces.closedUp(copy);
        int start = 0;
        for (int end : ends(text)) {
            String sentence = text.substring(start, end).strip();
            if (sentence.split(" ").length >= FEWEST_WORDS) return sentence;
            start = end;
        }
        return "";
    }
}
