package lucidsweep.core.keyword;

import java.util.Collection;

/**
 * The first letters of a text's words. They tell quickly, without any stem, that no word stands in it often, or that it does
 * not have all words of another: light stemming leaves the first letter as it is, but for a few names of countries.
 *
 * <pre>{@code FirstLetters.of("Kayak hire in Gull Cove").mayHaveAll(Set.of("kayak", "tour"))   // false: nothing begins with t }</pre>
 */
public final class FirstLetters {

    private static final int ASCII = 0x80;

    private final int[] counts = new int[ASCII];
    private boolean twiceInARow;

    /** Whether it has other letters than those of English, which stems may leave out or write otherwise. */
    private boolean others;

    private FirstLetters() {}

    public static FirstLetters of(String text) {
        FirstLetters letters = new FirstLetters();
        int before = 0;
        int beforeEnd = 0;
        for (int at = 0; at < text.length(); at++) {
            if (text.charAt(at) >= ASCII) letters.others = true;
            if (!isInWord(text, at)) continue;
            int start = at;
            while (isInWord(text, at)) at++;
            letters.counts[Character.toLowerCase(text.charAt(start))]++;
            int length = at - start;
            letters.twiceInARow |=
                    length == beforeEnd - before && text.regionMatches(true, before, text, start, length);
            before = start;
            beforeEnd = at--;
        }
        return letters;
    }

    private static boolean isInWord(String text, int at) {
        if (at == text.length()) return false;
        char c = text.charAt(at);
        return c < ASCII && Character.isLetterOrDigit(c);
    }

    /** Whether a word may stand more often than so many times, or twice in a row. */
    public boolean mayRepeat(int times) {
        if (others || twiceInARow) return true;
        for (int count : counts) if (count > times) return true;
        return false;
    }

    /** Whether there may be words of all these stems. */
    public boolean mayHaveAll(Collection<String> stems) {
        if (others) return true;
        for (String stem : stems) {
            char first = stem.charAt(0);
            if (first < ASCII && counts[first] == 0) return false;
        }
        return true;
    }
}
