package lucidsweep.core.writer;

import java.util.Collection;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The words and names of a property, learnt from its texts: what it writes with a small letter is a word, wherever an answer
 * gives it a capital.
 */
public final class Vocabulary {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{M}'’]{2,}");
    private static final int MAX_WORDS = 200_000;

    private final Set<String> words = new HashSet<>();
    private final Set<String> names = new HashSet<>();

    /** Learns from a text. */
    public void add(String text) {
        Matcher word = WORD.matcher(text);
        while (word.find() && words.size() < MAX_WORDS) {
            if (Character.isLowerCase(word.group().charAt(0))) words.add(word.group());
        }
    }

    /** Adds names, such as those of places; each of their words that is not one with a small letter counts. */
    public void addNames(Collection<String> more) {
        for (String name : more) {
            Matcher word = WORD.matcher(name);
            while (word.find()) {
                if (Character.isUpperCase(word.group().charAt(0)))
                    names.add(word.group().toLowerCase(Locale.ROOT));
            }
        }
    }

    boolean isWord(String word) {
        return words.contains(word.toLowerCase(Locale.ROOT));
    }

    boolean isName(String word) {
        String small = word.toLowerCase(Locale.ROOT);
        return names.contains(small) && !words.contains(small);
    }
}
