package lucidsweep.core.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.YearsNamed;

/** What the titles of the results that rank for a query have in common, held against one of ours. */
public final class RivalTitles {

    /** Most: at least this share of them. */
    private static final double MOST = 0.5;

    private static final int FEWEST = 3;
    private static final int MOST_WORDS = 8;
    private static final Pattern DIGIT = Pattern.compile("\\d");
    private static final Pattern PRICE = Pattern.compile("[€$£]|\\b(?:EUR|GBP|USD|PLN|zł)\\b");

    /** What a title can have besides words. */
    private static final Map<String, Predicate<String>> FEATURES = new LinkedHashMap<>();

    static {
        FEATURES.put("a number", title -> DIGIT.matcher(title).find());
        FEATURES.put("a year", title -> !YearsNamed.in(title).isEmpty());
        FEATURES.put("brackets", title -> title.indexOf('(') >= 0 || title.indexOf('[') >= 0);
        FEATURES.put("a question", title -> title.indexOf('?') >= 0);
        FEATURES.put("a price", title -> PRICE.matcher(title).find());
        FEATURES.put("a name at the end", title -> title.matches(".*\\s[|–—·-]\\s[^|–—·]{2,40}$"));
    }

    private RivalTitles() {}

    /**
     * Something that titles have.
     *
     * @param what a word, or a feature such as "a year"
     * @param titles how many of theirs have it
     * @param ours whether ours has it
     */
    public record TitleTrait(String what, int titles, boolean ours) {}

    /**
     * What was compared.
     *
     * @param titles how many of theirs
     * @param words that at least half of them have, the most common first
     * @param features likewise, and those that none has but ours
     * @param letters the middle length of theirs in characters
     */
    public record CommonTraits(int titles, List<TitleTrait> words, List<TitleTrait> features, int letters) {}

    /** @param theirs the titles of rivals; nothing is said of fewer than three */
    public static CommonTraits compared(String ours, List<String> theirs, Words language) {
        if (theirs.size() < FEWEST) return new CommonTraits(theirs.size(), List.of(), List.of(), 0);
        return new CommonTraits(theirs.size(), words(ours, theirs, language), features(ours, theirs), middle(theirs));
    }

    private static List<TitleTrait> words(String ours, List<String> theirs, Words language) {
        Map<String, Integer> counts = new HashMap<>();
        Map<String, String> spelled = new HashMap<>();
        for (String title : theirs) {
            Set<String> said = new HashSet<>();
            for (Word word : language.of(title)) {
                if (word.stop() || !said.add(word.stem())) continue;
                counts.merge(word.stem(), 1, Integer::sum);
                spelled.putIfAbsent(word.stem(), word.text().toLowerCase(java.util.Locale.ROOT));
            }
        }
        Set<String> own = new HashSet<>();
        for (Word word : language.of(ours)) own.add(word.stem());
        List<TitleTrait> common = new ArrayList<>();
        counts.forEach((stem, count) -> {
            if (count >= MOST * theirs.size()) common.add(new TitleTrait(spelled.get(stem), count, own.contains(stem)));
        });
        common.sort(Comparator.comparingInt((TitleTrait each) -> -each.titles()).thenComparing(TitleTrait::what));
        return common.subList(0, Math.min(MOST_WORDS, common.size()));
    }

    private static List<TitleTrait> features(String ours, List<String> theirs) {
        List<TitleTrait> features = new ArrayList<>();
        FEATURES.forEach((what, has) -> {
            int count = (int) theirs.stream().filter(has).count();
            boolean own = has.test(ours);
            if (count >= MOST * theirs.size() || count == 0 && own) features.add(new TitleTrait(what, count, own));
        });
        return features;
    }

    private static int middle(List<String> theirs) {
        int[] lengths = theirs.stream().mapToInt(Graphemes::count).sorted().toArray();
        return Arrays.stream(lengths).skip(lengths.length / 2).findFirst().orElse(0);
    }
}
