package lucidsweep.core.compose;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.text.Spaces;

/** Sentences of a page's copy. */
public final class Sentences {

    private static final Pattern END = Pattern.compile("[.!?…]+[\"'”’»)]*(?=\\s|$)");
    private static final int FEWEST_WORDS = 5;

    private Sentences() {}

    /**
     * The first sentence that says something: of five words and more, and ended.
     *
     * @return "" where there is none
     */
    public static String firstGood(String copy) {
        String text = Spaces.closedUp(copy);
        Matcher end = END.matcher(text);
        int start = 0;
        while (end.find()) {
            String sentence = text.substring(start, end.end()).strip();
            if (sentence.split(" ").length >= FEWEST_WORDS) return sentence;
            start = end.end();
        }
        return "";
    }
}
