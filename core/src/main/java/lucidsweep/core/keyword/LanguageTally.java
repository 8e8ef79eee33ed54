package lucidsweep.core.keyword;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** The language that most of many texts are in. */
public final class LanguageTally {

    private static final int ENOUGH = 3;
    private static final double MOST = 0.5;

    private final Map<Language, Integer> votes = new HashMap<>();
    private int told;

    /** Adds a text; one that is too short to tell counts for nothing. */
    public void add(String text) {
        LanguageGuess.of(text).ifPresent(language -> {
            votes.merge(language, 1, Integer::sum);
            told++;
        });
    }

    /** The language of more than half of the texts that tell; empty where too few do. */
    public Optional<Language> most() {
        return votes.entrySet().stream()
                .filter(each -> each.getValue() >= ENOUGH && each.getValue() > MOST * told)
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
