package lucidsweep.core.keyword;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.text.HashNumbers;

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
    private static final long FACTOR = 0x9E3779B97F4A7C15L;

    /** The languages that have a little word, by its hash; a bit each in the order of {@link Language#all}. */
    private static final HashNumbers LANGUAGES_OF = new HashNumbers();

    static {
        Map<String, Integer> languages = new HashMap<>();
        List<Language> all = Language.all();
        for (int i = 0; i < all.size(); i++) {
            for (String word : all.get(i).common()) languages.merge(word, 1 << i, (one, other) -> one | other);
        }
        languages.forEach((word, bits) -> LANGUAGES_OF.add(hash(word, 0, word.length()), bits));
    }

    private static long hash(String text, int start, int end) {
        long hash = 1;
        for (int i = start; i < end; i++) hash = hash * FACTOR + Character.toLowerCase(text.charAt(i));
        return hash;
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
            if (i - start <= LONGEST) count(hash(text, start, i), hits);
            start = -1;
        }
        return clear(hits, words);
    }

    private static void count(long hash, int[] hits) {
        int languages = LANGUAGES_OF.get(hash);
        if (languages < 0) return;
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
