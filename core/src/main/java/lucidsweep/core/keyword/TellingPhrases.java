package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The phrase of one to three words that tells a page from the other pages of its property: it stands in the page where it
 * matters, and its words are rare in the titles of the others (inverse document frequency). Not safe for use by many threads
 * while titles are added; safe after it.
 *
 * <pre>{@code
 * phrases.add("Kayak hire in Gull Cove | Tarrin Bay");  // … and all other titles
 * phrases.of("Kayak hire for two", "Two-seater kayaks", "Our two-seater kayaks are …")   // "two-seater kayaks" }</pre>
 */
public final class TellingPhrases {

    private static final int LONGEST = 3;
    private static final int MIN_LETTERS = 3;

    /** What a phrase of one, two and three words is worth: two words mostly tell more than one, a third adds little. */
    private static final double[] BY_LENGTH = {0, 1, 1.5, 1.7};

    private static final double IN_TITLE = 2;
    private static final double IN_H1 = 3;
    private static final double IN_COPY = 1;

    private final Words language;
    private final Map<String, Integer> titlesWith = new HashMap<>();
    private int titles;

    public TellingPhrases(Words language) {
        this.language = language;
    }

    /** Notes the title of a page of the property. */
    public void add(String title) {
        titles++;
        for (String stem : language.stems(title)) titlesWith.merge(stem, 1, Integer::sum);
    }

    private static final class Tally {
        private final String text;
        private final double rarity;
        private final boolean several;
        private double weight;
        private int times;

        private Tally(String text, double rarity, boolean several) {
            this.text = text;
            this.rarity = rarity;
            this.several = several;
        }

        /** Words that follow upon each other once in running text are no phrase yet. */
        private boolean isPhrase() {
            return !several || weight > IN_COPY || times > 1;
        }

        private double value() {
            return rarity * Math.log1p(weight);
        }
    }

    /**
     * The most telling phrase of a page, as it is written there first.
     *
     * @param copy its first words are enough
     * @return "" where it has no word that tells anything
     */
    public String of(String title, String h1, String copy) {
        Map<String, Tally> tallies = new LinkedHashMap<>();
        tally(h1, IN_H1, tallies);
        tally(title, IN_TITLE, tallies);
        tally(copy, IN_COPY, tallies);
        Tally best = null;
        for (Tally tally : tallies.values()) {
            if (tally.isPhrase() && (best == null || tally.value() > best.value())) best = tally;
        }
        return best == null ? "" : best.text;
    }

    private void tally(String text, double weight, Map<String, Tally> tallies) {
        List<Word> words = language.of(text);
        for (int start = 0; start < words.size(); start++) {
            List<Word> phrase = new ArrayList<>();
            for (int end = start;
                    end < Math.min(words.size(), start + LONGEST) && goesOn(text, phrase, words.get(end));
                    end++) {
                phrase.add(words.get(end));
                if (!tells(phrase.get(0)) || !tells(words.get(end))) continue;
                Tally tally = tallies.computeIfAbsent(
                        key(phrase), any -> new Tally(written(text, phrase), rarity(phrase), phrase.size() > 1));
                tally.weight += weight;
                tally.times++;
            }
        }
    }

    /** Whether a word belongs to the same phrase: nothing but a space or a hyphen stands between. */
    private static boolean goesOn(String text, List<Word> phrase, Word next) {
        if (phrase.isEmpty()) return true;
        String between = text.substring(phrase.get(phrase.size() - 1).end(), next.start());
        return between.equals(" ") || between.equals("-");
    }

    private boolean tells(Word word) {
        return !word.stop()
                && !language.language().small().contains(word.text().toLowerCase(Locale.ROOT))
                && word.text().length() >= MIN_LETTERS
                && word.text().codePoints().noneMatch(Character::isDigit);
    }

    private static String key(List<Word> phrase) {
        StringBuilder key = new StringBuilder();
        for (Word word : phrase) key.append(word.stem()).append(' ');
        return key.toString();
    }

    private static String written(String text, List<Word> phrase) {
        return text.substring(
                phrase.get(0).start(), phrase.get(phrase.size() - 1).end());
    }

    /** How rare its words are on average, weighed by its length. */
    private double rarity(List<Word> phrase) {
        Set<String> stems = new HashSet<>();
        double sum = 0;
        for (Word word : phrase) {
            if (word.stop() || !stems.add(word.stem())) continue;
            sum += Math.log((titles + 1.0) / (titlesWith.getOrDefault(word.stem(), 0) + 1.0));
        }
        return sum / stems.size() * BY_LENGTH[stems.size()];
    }
}
