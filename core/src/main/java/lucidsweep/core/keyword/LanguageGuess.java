package lucidsweep.core.keyword;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * Tells the language of a text from the little words in it. It says nothing rather than something doubtful: a wrong guess about
 * a title costs more trust than a missed one.
 *
 * <pre>{@code LanguageGuess.of("Kajaks für die ganze Familie, mit und ohne Führung")   // German }</pre>
 */
public final class LanguageGuess {

    private static final int MIN_HITS = 3;
    private static final int MIN_LEAD = 2;
    private static final double MIN_SHARE = 0.2;
    private static final int LONGEST = 12;

    /** The languages that have a little word, a bit each in the order of {@link Language#all}. */
    private static final Map<String, Integer> LANGUAGES_OF = new HashMap<>();

    static {
        List<Language> all = Language.all();
        for (int i = 0; i < all.size(); i++) {
            for (String word : all.get(i).common()) LANGUAGES_OF.merge(word, 1 << i, (one, other) -> one | other);
        }
    }

    private LanguageGuess() {}

    /** The language of a text; empty where too little tells. */
    public static Optional<Language> of(String text) {
        int[] hits = new int[Language.all().size()];
        int words = 0;
        int start = -1;
        for (int i = 0; i <= text.length(); i++) {
            boolean letter = i < text.length() && Character.isLetter(text.charAt(i));
            if (letter && start < 0) start = i;
            if (letter || start < 0) continue;
            words++;
            if (i - start <= LONGEST) count(text.substring(start, i), hits);
            start = -1;
        }
        return clear(hits, words);
    }

    private static void count(String word, int[] hits) {
        Integer languages = LANGUAGES_OF.get(word.toLowerCase(Locale.ROOT));
        if (languages == null) return;
        for (int i = 0; i < hits.length; i++) hits[i] += languages >> i & 1;
    }

    private static Optional<Language> clear(int[] hits, int words) {
        int best = 0;
        for (int i = 1; i < hits.length; i++) if (hits[i] > hits[best]) best = i;
        int second = 0;
        for (int i = 0; i < hits.length; i++) if (i != best) second = Math.max(second, hits[i]);
        boolean clear = hits[best] >= MIN_HITS && hits[best] - second >= MIN_LEAD && hits[best] >= MIN_SHARE * words;
        return clear ? Optional.of(Language.all().get(best)) : Optional.empty();
    }
}
