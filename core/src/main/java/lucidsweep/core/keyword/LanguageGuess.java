package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

    private LanguageGuess() {}

    /** The language of a text; empty where too little tells. */
    public static Optional<Language> of(String text) {
        List<String> words = words(text);
        Language best = null;
        int most = 0;
        int second = 0;
        for (Language language : Language.all()) {
            int hits = 0;
            for (String word : words) if (language.common().contains(word)) hits++;
            if (hits > most) {
                second = most;
                most = hits;
                best = language;
            } else if (hits > second) {
                second = hits;
            }
        }
        boolean clear = most >= MIN_HITS && most - second >= MIN_LEAD && most >= MIN_SHARE * words.size();
        return clear ? Optional.of(best) : Optional.empty();
    }

    private static List<String> words(String text) {
        List<String> words = new ArrayList<>();
        int start = -1;
        for (int i = 0; i <= text.length(); i++) {
            boolean letter = i < text.length() && Character.isLetter(text.charAt(i));
            if (letter && start < 0) start = i;
            if (letter || start < 0) continue;
            words.add(text.substring(start, i).toLowerCase(Locale.ROOT));
            start = -1;
        }
        return words;
    }
}
