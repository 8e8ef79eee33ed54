package lucidsweep.core.text;

import com.github.difflib.DiffUtils;
import com.github.difflib.algorithm.myers.MyersDiffWithLinearSpace;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.DeltaType;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
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

    /** So many pairs of words are compared at most; of longer texts only what they begin and end with is held alike. */
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
        List<String> old = words(before, after);
        List<String> now = words(after, before);
        int start = 0;
        int shorter = Math.min(old.size(), now.size());
        while (start < shorter && old.get(start).equals(now.get(start))) start++;
        int end = 0;
        while (end < shorter - start && old.get(old.size() - 1 - end).equals(now.get(now.size() - 1 - end))) end++;
        Runs pieces = new Runs();
        old.subList(0, start).forEach(word -> pieces.add(Fate.SAME, word));
        middle(old.subList(start, old.size() - end), now.subList(start, now.size() - end), pieces);
        old.subList(old.size() - end, old.size()).forEach(word -> pieces.add(Fate.SAME, word));
        return pieces.list();
    }

    private static void middle(List<String> old, List<String> now, Runs pieces) {
        if ((long) old.size() * now.size() > MAX_PAIRS) {
            old.forEach(word -> pieces.add(Fate.WENT, word));
            now.forEach(word -> pieces.add(Fate.CAME, word));
            return;
        }
        for (AbstractDelta<String> delta : DiffUtils.diff(old, now, new MyersDiffWithLinearSpace<>(), null, true)
                .getDeltas()) {
            Fate source = delta.getType() == DeltaType.EQUAL ? Fate.SAME : Fate.WENT;
            delta.getSource().getLines().forEach(word -> pieces.add(source, word));
            if (source == Fate.WENT) delta.getTarget().getLines().forEach(word -> pieces.add(Fate.CAME, word));
        }
    }

    /**
     * The words of a text, each with the space behind it; the last word of the other text has none, and is to be found here all
     * the same.
     */
    private static List<String> words(String text, String other) {
        List<String> words = new ArrayList<>();
        String last = last(other);
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            String found = word.group();
            if (last.length() < found.length()
                    && found.startsWith(last)
                    && found.strip().equals(last)) {
                words.add(last);
                words.add(found.substring(last.length()));
            } else words.add(found);
        }
        return words;
    }

    /** The last word of a text that ends with it; "" where space or nothing does. */
    private static String last(String text) {
        String last = "";
        Matcher word = WORD.matcher(text);
        while (word.find()) last = word.group();
        return last.strip().length() == last.length() ? last : "";
    }

    /** Joins words of the same fate; of what stands between two that stayed, what went comes first. */
    private static final class Runs {
        private final List<WordRun> done = new ArrayList<>();
        private final Map<Fate, StringBuilder> open = new EnumMap<>(Fate.class);

        private void add(Fate fate, String word) {
            boolean changes = open.keySet().stream().anyMatch(each -> (each == Fate.SAME) != (fate == Fate.SAME));
            if (changes) close();
            open.computeIfAbsent(fate, any -> new StringBuilder()).append(word);
        }

        private void close() {
            open.forEach((fate, text) -> done.add(new WordRun(fate, text.toString())));
            open.clear();
        }

        private List<WordRun> list() {
            close();
            return done;
        }
    }
}
