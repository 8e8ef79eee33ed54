package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The words, and phrases of two words, that texts about a subject use and the other texts do not use as much. In how many
 * texts a word stands counts, not how often; the measure is the log-likelihood ratio (Dunning: "Accurate methods for the
 * statistics of surprise and coincidence", 1993).
 *
 * <pre>{@code
 * telling.about("Guided tour to the seals at low tide");
 * telling.other("Paddles of ash and cedar");
 * telling.most(10, Set.of("guide", "tour"))   // seal, low tide … }</pre>
 */
public final class TellingWords {

    private static final double MIN_SHARE = 0.15;
    private static final double MIN_RATIO = 2.5;
    private static final double WITHIN_A_PHRASE = 0.8;
    private static final int MIN_LENGTH = 3;

    private final Words language;
    private final Map<String, Use> uses = new HashMap<>();
    private int about;
    private int others;

    public TellingWords(Words language) {
        this.language = language;
    }

    private static final class Use {
        private String text;
        private final List<String> stems;
        private int about;
        private int others;

        private Use(String text, List<String> stems) {
            this.text = text;
            this.stems = stems;
        }
    }

    /**
     * A word or a phrase of two.
     *
     * @param text as it is written most early, in small letters where it ever is
     * @param texts about the subject that it stands in
     * @param weight how much it tells them from the others; not to be compared between subjects
     */
    public record Telling(String text, int texts, double weight) {}

    /** Adds a text about the subject. */
    public void about(String text) {
        about++;
        for (Use use : uses(text)) use.about++;
    }

    /** Adds a text about something else. */
    public void other(String text) {
        others++;
        for (Use use : uses(text)) use.others++;
    }

    /** How many texts are about the subject. */
    public int texts() {
        return about;
    }

    private Set<Use> uses(String text) {
        List<Word> words = language.of(text);
        Set<Use> found = new HashSet<>();
        for (int i = 0; i < words.size(); i++) {
            Word word = words.get(i);
            if (!counts(word)) continue;
            found.add(use(text, word, word));
            boolean next = i + 1 < words.size()
                    && counts(words.get(i + 1))
                    && text.substring(word.end(), words.get(i + 1).start()).equals(" ");
            if (next) found.add(use(text, word, words.get(i + 1)));
        }
        return found;
    }

    private static boolean counts(Word word) {
        return !word.stop()
                && word.stem().length() >= MIN_LENGTH
                && word.stem().codePoints().noneMatch(Character::isDigit);
    }

    private Use use(String text, Word first, Word last) {
        List<String> stems = first == last ? List.of(first.stem()) : List.of(first.stem(), last.stem());
        String written = text.substring(first.start(), last.end());
        Use use = uses.computeIfAbsent(String.join(" ", stems), any -> new Use(written, stems));
        if (written.equals(written.toLowerCase(Locale.ROOT)) && !use.text.equals(use.text.toLowerCase(Locale.ROOT))) {
            use.text = written;
        }
        return use;
    }

    /**
     * Those that tell most.
     *
     * @param known stems that need not be told; a phrase that has any other word is told
     */
    public List<Telling> strongest(int count, Set<String> known) {
        int min = Math.max(2, (int) Math.ceil(MIN_SHARE * about));
        List<Use> telling = new ArrayList<>();
        for (Use use : uses.values()) {
            boolean often = use.about >= Math.min(min, Math.max(1, about));
            boolean more = use.about * (double) Math.max(1, others) >= MIN_RATIO * use.others * Math.max(1, about);
            if (often && more && !known.containsAll(use.stems)) telling.add(use);
        }
        telling.sort(Comparator.comparingDouble((Use use) -> -weight(use)).thenComparing(use -> use.text));
        List<Use> phrases = telling.stream().filter(use -> use.stems.size() > 1).toList();
        return telling.stream()
                .filter(use -> use.stems.size() > 1 || phrases.stream().noneMatch(phrase -> isWithin(use, phrase)))
                .limit(count)
                .map(use -> new Telling(use.text, use.about, weight(use)))
                .toList();
    }

    /** Whether a word hardly stands but in a phrase, which tells it. */
    private static boolean isWithin(Use word, Use phrase) {
        return phrase.stems.contains(word.stems.get(0)) && phrase.about >= WITHIN_A_PHRASE * word.about;
    }

    private double weight(Use use) {
        double all = about + others;
        double with = use.about + use.others;
        double expectedAbout = Math.max(1e-9, about * with / all);
        double expectedOthers = Math.max(1e-9, others * with / all);
        return 2 * (term(use.about, expectedAbout) + term(use.others, expectedOthers));
    }

    private static double term(double seen, double expected) {
        return seen == 0 ? 0 : seen * Math.log(seen / expected);
    }
}
