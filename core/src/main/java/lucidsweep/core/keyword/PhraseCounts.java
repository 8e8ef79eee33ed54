package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** The phrases of one, two and three words of an item: how often each stands in it, and where. */
public final class PhraseCounts {

    private static final int LONGEST = 3;
    private static final int MAX_OF_A_LENGTH = 20;

    private PhraseCounts() {}

    /** A part of an item. */
    public enum Place {
        TITLE,
        HEADING,
        COPY,
        LINK
    }

    /**
     * A phrase.
     *
     * @param text as it is written most early in the item
     * @param share of all words of the item that it makes up, 0 to 1
     * @param target whether every word of it is one of the item's keyword
     * @param linked whether it stands in the text of a link to the item
     */
    public record PhraseCount(
            String text, int words, int count, double share, Set<Place> places, boolean target, boolean linked) {}

    private static final class Tally {
        private final String text;
        private final int words;
        private final boolean target;
        private final Set<Place> places = EnumSet.noneOf(Place.class);
        private int count;

        private Tally(String text, int words, boolean target) {
            this.text = text;
            this.words = words;
            this.target = target;
        }
    }

    /**
     * Counts them. A phrase neither begins nor ends with a word that carries no meaning; of each length the most frequent
     * come, those of more than one word only if they stand twice.
     *
     * @param target what the item aims at; "" for nothing
     */
    public static List<PhraseCount> of(ItemTexts texts, String target, Words language) {
        Set<String> wanted = language.of(target).stream().map(Word::stem).collect(Collectors.toSet());
        Map<String, Tally> tallies = new LinkedHashMap<>();
        int words = 0;
        words += add(Place.TITLE, texts.title(), wanted, language, tallies);
        words += add(Place.HEADING, texts.h1() + " \n" + texts.headings(), wanted, language, tallies);
        words += add(Place.COPY, texts.copy(), wanted, language, tallies);
        words += add(Place.LINK, texts.linkTexts(), wanted, language, tallies);
        List<PhraseCount> counts = new ArrayList<>();
        for (int length = 1; length <= LONGEST; length++) {
            int of = length;
            int all = Math.max(1, words);
            tallies.values().stream()
                    .filter(tally -> tally.words == of && (of == 1 || tally.count > 1))
                    .sorted(Comparator.comparingInt((Tally tally) -> -tally.count))
                    .limit(MAX_OF_A_LENGTH)
                    .forEach(tally -> counts.add(new PhraseCount(
                            tally.text,
                            of,
                            tally.count,
                            Math.min(1, tally.count * of / (double) all),
                            tally.places,
                            tally.target,
                            tally.places.contains(Place.LINK))));
        }
        return counts;
    }

    /** Returns how many words the text has. */
    private static int add(Place place, String text, Set<String> wanted, Words language, Map<String, Tally> tallies) {
        List<Word> words = language.of(text);
        for (int start = 0; start < words.size(); start++) {
            StringBuilder key = new StringBuilder();
            boolean target = !wanted.isEmpty();
            for (int end = start; end < Math.min(words.size(), start + LONGEST); end++) {
                if (end > start
                        && isBreak(
                                text, words.get(end - 1).end(), words.get(end).start())) break;
                key.append(words.get(end).stem()).append(' ');
                target &=
                        words.get(end).stop() || wanted.contains(words.get(end).stem());
                if (words.get(start).stop() || words.get(end).stop()) continue;
                String written =
                        text.substring(words.get(start).start(), words.get(end).end());
                boolean isTarget = target;
                int length = end - start + 1;
                Tally tally = tallies.computeIfAbsent(key.toString(), any -> new Tally(written, length, isTarget));
                tally.count++;
                tally.places.add(place);
            }
        }
        return words.size();
    }

    /** A phrase does not run over a comma or the end of a sentence or line. */
    private static boolean isBreak(String text, int from, int to) {
        for (int i = from; i < to; i++) if (".,!?;:\n|".indexOf(text.charAt(i)) >= 0) return true;
        return false;
    }
}
