package lucidsweep.core.acceptance;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.YearsNamed;

/**
 * What texts that result pages replaced have in common: traits that are more frequent among them than among those that were
 * shown, beyond what chance explains.
 *
 * <p>The measure is the odds ratio of a two by two table with half a count added to each cell, its error that of Woolf (1955);
 * a trait is told where even the low end of the 90% interval is above 1.
 */
public final class ReplacedTraits {

    private static final double TO_90_PERCENT = 1.645;
    private static final int FEWEST_REPLACED = 3;
    private static final double SHORT = 0.5;

    private final Words language;
    private final BrandNames brand;

    private ReplacedTraits(Words language, BrandNames brand) {
        this.language = language;
        this.brand = brand;
    }

    /**
     * Something that texts have.
     *
     * @param what "are wider than the limit"
     * @param replaced how many of the replaced texts have it
     * @param ofReplaced of how many
     * @param shown how many of the others have it
     * @param ofShown of how many
     * @param odds how many times the odds of being replaced are with it, at the low end of the 90% interval
     */
    public record ReplacedTrait(String what, int replaced, int ofReplaced, int shown, int ofShown, double odds) {}

    /** The strongest first. */
    static List<ReplacedTrait> of(List<ShownText> texts, Words language, BrandNames brand) {
        List<ReplacedTrait> found = new ArrayList<>();
        new ReplacedTraits(language, brand).traits().forEach((what, has) -> {
            int[][] counts = new int[2][2];
            for (ShownText text : texts) counts[text.isReplaced() ? 1 : 0][has.test(text) ? 1 : 0]++;
            double odds = Math.exp(lowLogOdds(counts));
            if (counts[1][1] >= FEWEST_REPLACED && odds > 1) {
                found.add(new ReplacedTrait(
                        what,
                        counts[1][1],
                        counts[1][0] + counts[1][1],
                        counts[0][1],
                        counts[0][0] + counts[0][1],
                        odds));
            }
        });
        found.sort(Comparator.comparingDouble(ReplacedTrait::odds).reversed().thenComparing(ReplacedTrait::what));
        return found;
    }

    private static double lowLogOdds(int[][] counts) {
        double logOdds = 0;
        double variance = 0;
        for (int replaced = 0; replaced < 2; replaced++) {
            for (int has = 0; has < 2; has++) {
                double count = counts[replaced][has] + 0.5;
                logOdds += (replaced == has ? 1 : -1) * Math.log(count);
                variance += 1 / count;
            }
        }
        return logOdds - TO_90_PERCENT * Math.sqrt(variance);
    }

    private Map<String, Predicate<ShownText>> traits() {
        Map<String, Predicate<ShownText>> traits = new LinkedHashMap<>();
        traits.put("are wider than the limit", text -> text.limitPx() > 0 && text.px() > text.limitPx());
        traits.put("fill less than half the limit", text -> text.limitPx() > 0 && text.px() < SHORT * text.limitPx());
        traits.put("do not have all words of the query", text -> !missing(text).isEmpty());
        traits.put("have no word of the query", text -> missing(text).size() == words(text.query()));
        traits.put("are the same on several items", text -> text.items() > 1);
        traits.put("say a word twice", this::repeats);
        traits.put("name the brand", text -> brand.isIn(text.ours()));
        traits.put("name a year", text -> !YearsNamed.in(text.ours()).isEmpty());
        traits.put("have a number", text -> text.ours().matches(".*\\d.*"));
        traits.put("are in capitals", text -> isInCapitals(text.ours()));
        traits.put("have two separators or more", text -> text.ours().split("\\s[|–—·-]\\s", -1).length > 2);
        traits.put("end with a full stop", text -> text.ours().strip().endsWith("."));
        return traits;
    }

    private Set<String> missing(ShownText text) {
        Set<String> missing = new HashSet<>();
        for (Word word : Phrase.of(text.query(), language).words()) missing.add(word.stem());
        for (Word word : language.of(text.ours())) missing.remove(word.stem());
        return missing;
    }

    private int words(String query) {
        return (int) Phrase.of(query, language).words().stream()
                .map(Word::stem)
                .distinct()
                .count();
    }

    private boolean repeats(ShownText text) {
        Set<String> said = new HashSet<>();
        return language.of(text.ours()).stream().anyMatch(word -> !word.stop() && !said.add(word.stem()));
    }

    private static boolean isInCapitals(String text) {
        return text.equals(text.toUpperCase(Locale.ROOT)) && !text.equals(text.toLowerCase(Locale.ROOT));
    }
}
