package lucidsweep.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import lucidsweep.core.compose.TagPlan;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;

/** Tag sets for 5,000 listings out of 20,000 tags: with places to spare, and where the letters run out. */
final class TagBench {

    private static final int LISTINGS = 5_000;
    private static final int TAGS = 20_000;

    private TagBench() {}

    public static void main(String[] args) {
        plan("Tag sets of 5,000 listings out of 20,000 tags", new Standard.TagLimits(13, 20, 500));
        plan("… where the letters run out", new Standard.TagLimits(40, 30, 300));
    }

    private static void plan(String what, Standard.TagLimits limits) {
        Random random = new Random(8);
        String[] words = new String[1_500];
        for (int i = 0; i < words.length; i++) words[i] = word(random);
        Map<String, Double> searches = new TreeMap<>();
        while (searches.size() < TAGS) {
            searches.put(phrase(random, words, 1 + random.nextInt(3)), Math.floor(5_000 / (1.0 + random.nextInt(400))));
        }
        long start = System.nanoTime();
        TagPlan plan = new TagPlan(Words.in("en"), searches, List.of("Tarrin Bay"), List.of("cheap"));
        for (int i = 0; i < LISTINGS; i++) {
            List<String> tags = new ArrayList<>();
            for (int n = 0; n < 10; n++) tags.add(phrase(random, words, 1 + random.nextInt(3)));
            plan.add(new TagPlan.Item(i, phrase(random, words, 9), tags, phrase(random, words, 60), limits));
        }
        TagPlan.Planned planned = plan.planned(0.33);
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                what,
                "< 20 s",
                Report.format("%.1f s (%d exact, gap %.3f%%)", seconds, planned.exact(), planned.gap() * 100),
                seconds < 20);
    }

    /** Words are drawn as in a language: few of them often. */
    private static String phrase(Random random, String[] words, int count) {
        StringBuilder phrase = new StringBuilder();
        for (int i = 0; i < count; i++) {
            if (i > 0) phrase.append(' ');
            phrase.append(words[(int) (words.length * Math.pow(random.nextDouble(), 3))]);
        }
        return phrase.toString();
    }

    private static String word(Random random) {
        StringBuilder word = new StringBuilder();
        for (int n = 3 + random.nextInt(5); n > 0; n--) word.append((char) ('a' + random.nextInt(26)));
        return word.toString();
    }
}
