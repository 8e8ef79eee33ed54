package lucidsweep.core.text;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What became of a text, word by word: the longest common run of words stays, the others came or went.
 *
 * <pre>{@code
 * WordDifference.of("Hire a kayak", "Hire a double kayak")   // same "Hire a ", came "double ", same "kayak"
 * }</pre>
 */
public final class WordDifference {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}'’]+\\s*|[^\\p{L}\\p{N}'’\\s]\\s*|\\s+");

    /** So many pairs of words are looked at, 16 MB; of longer texts only what they begin and end with is held alike. */
    private static final int MAX_PAIRS = 4_000_000;

    private WordDifference() {}

    /** What became of a piece of text. */
    public enum Fate {
        SAME,
        WENT,
        CAME
    }

    /** Some words and what became of them. */
    public record WordRun(Fate fate, String text) {}

    /** The pieces in their order; without those that came they are the text before, without those that went the text after. */
    public static List<WordRun> of(String before, String after) {
        List<String> old = words(before);
        List<String> now = words(after);
        int start = 0;
        int shorter = Math.min(old.size(), now.size());
        while (start < shorter && old.get(start).equals(now.get(start))) start++;
        int end = 0;
        while (end < shorter - start && old.get(old.size() - 1 - end).equals(now.get(now.size() - 1 - end))) end++;
        Runs pieces = new Runs();
        for (String word : old.subList(0, start)) pieces.add(Fate.SAME, word);
        middle(old.subList(start, old.size() - end), now.subList(start, now.size() - end), pieces);
        for (String word : old.subList(old.size() - end, old.size())) pieces.add(Fate.SAME, word);
        return pieces.list();
    }

    private static void middle(List<String> old, List<String> now, Runs pieces) {
        int rows = old.size();
        int columns = now.size();
        int[][] longest = new int[0][];
        if ((long) rows * columns <= MAX_PAIRS && rows > 0 && columns > 0) {
            longest = new int[rows + 1][columns + 1];
            for (int i = rows - 1; i >= 0; i--) {
                for (int j = columns - 1; j >= 0; j--) {
                    longest[i][j] = old.get(i).equals(now.get(j))
                            ? longest[i + 1][j + 1] + 1
                            : Math.max(longest[i + 1][j], longest[i][j + 1]);
                }
            }
        }
        int i = 0;
        int j = 0;
        while (longest.length > 0 && i < rows && j < columns) {
            if (old.get(i).equals(now.get(j))) {
                pieces.add(Fate.SAME, old.get(i));
                i++;
                j++;
            } else if (longest[i + 1][j] >= longest[i][j + 1]) {
                pieces.add(Fate.WENT, old.get(i++));
            } else {
                pieces.add(Fate.CAME, now.get(j++));
            }
        }
        while (i < rows) pieces.add(Fate.WENT, old.get(i++));
        while (j < columns) pieces.add(Fate.CAME, now.get(j++));
    }

    private static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) words.add(word.group());
        return words;
    }

    /** Joins words of the same fate. */
    private static final class Runs {
        private final List<WordRun> done = new ArrayList<>();
        private final StringBuilder text = new StringBuilder();
        private Fate fate = Fate.SAME;

        private void add(Fate next, String word) {
            if (next != fate) close();
            fate = next;
            text.append(word);
        }

        private void close() {
            if (text.length() > 0) done.add(new WordRun(fate, text.toString()));
            text.setLength(0);
        }

        private List<WordRun> list() {
            close();
            return done;
        }
    }
}
