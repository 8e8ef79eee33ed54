package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/** What the index finds quickly is what a slow look at every item finds. */
class ItemIndexTest {

    private static final Words ENGLISH = Words.in("en");
    private static final String[] WORDS = {
        "kayak", "hire", "tour", "cove", "gull", "paddle", "ash", "bay", "seal", "boat", "deck", "sail"
    };

    private static String some(Random random, int max) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(max + 1); i > 0; i--) {
            double share = random.nextDouble();
            text.append(WORDS[(int) (share * share * WORDS.length)]).append(' ');
        }
        return text.toString();
    }

    private static ItemTexts texts(Random random) {
        return new ItemTexts(
                some(random, 4), some(random, 3), some(random, 2), some(random, 3), some(random, 2), some(random, 20));
    }

    private static List<Phrase> phrases(Random random) {
        List<Phrase> phrases = new ArrayList<>();
        while (phrases.size() < 60) {
            Phrase phrase = Phrase.of(some(random, 4), ENGLISH);
            if (!phrase.words().isEmpty()) phrases.add(phrase);
        }
        return phrases;
    }

    @Test
    void everyItemThatHoldsAllWordsAndEnoughOfThemWhereItCountsIsFoundOnce() {
        for (int seed = 0; seed < 20; seed++) {
            Random random = new Random(seed);
            ItemIndex index = new ItemIndex(ENGLISH);
            for (String word : WORDS) index.learn(Phrase.of(word, ENGLISH));
            for (int i = 0; i < 80; i++) index.put(i, texts(random));
            for (int i = 0; i < 30; i++) index.put(random.nextInt(80), texts(random));
            for (Phrase phrase : phrases(random)) {
                for (double min : new double[] {0.3, 0.6, 1}) {
                    ItemIndex.Search search = index.search(phrase);
                    Set<Integer> slowly = new TreeSet<>();
                    for (int ordinal = 0; ordinal < index.size(); ordinal++) {
                        ItemIndex.Match match = search.whole(ordinal);
                        if (match != null && match.telling() >= min - 1e-9) slowly.add(ordinal);
                    }
                    List<Integer> quickly = new ArrayList<>();
                    search.forEachMatch(min, match -> {
                        quickly.add(match.ordinal());
                        assertThat(match).isEqualTo(search.of(match.ordinal()));
                    });
                    assertThat(quickly).doesNotHaveDuplicates().containsExactlyInAnyOrderElementsOf(slowly);
                }
            }
        }
    }

    @Test
    void relevanceLiesBetweenNothingAndAllAndGrowsWithTheWordsThatAreThere() {
        ItemIndex index = new ItemIndex(ENGLISH);
        Phrase phrase = Phrase.of("kayak hire cove", ENGLISH);
        index.learn(phrase);
        index.put(1, new ItemTexts("Kayak hire in the cove", "Kayak hire", "", "", "", ""));
        index.put(2, new ItemTexts("Kayak hire", "Kayak hire", "", "", "", ""));
        index.put(3, new ItemTexts("Kayaks", "", "", "", "", ""));
        index.put(4, new ItemTexts("Nothing", "", "", "", "", ""));
        double[] relevances = new double[5];
        for (int id = 1; id <= 4; id++) relevances[id] = index.relevance(id, phrase);
        assertThat(relevances[1]).isGreaterThan(relevances[2]).isLessThanOrEqualTo(1);
        assertThat(relevances[2]).isGreaterThan(relevances[3]);
        assertThat(relevances[3]).isGreaterThan(relevances[4]);
        assertThat(relevances[4]).isZero();
        assertThat(index.relevance(99, phrase)).isZero();
        assertThat(index.nearest(phrase)).isEqualTo(1);
        assertThat(index.nearest(Phrase.of("turbine", ENGLISH))).isEqualTo(-1);
    }

    @Test
    void numbersInOrderAreThoseThatWerePutAndNotTakenAway() {
        Random random = new Random(3);
        IntSet set = new IntSet();
        TreeSet<Integer> slow = new TreeSet<>();
        for (int i = 0; i < 5_000; i++) {
            int value = random.nextInt(300);
            if (random.nextInt(3) == 0) {
                set.remove(value);
                slow.remove(value);
            } else {
                set.add(value);
                slow.add(value);
            }
            assertThat(set.size()).isEqualTo(slow.size());
            assertThat(set.contains(value)).isEqualTo(slow.contains(value));
        }
        List<Integer> all = new ArrayList<>();
        for (int i = 0; i < set.size(); i++) all.add(set.get(i));
        assertThat(all).containsExactlyElementsOf(slow);
    }

    @Test
    void likenessesAreThoseThatWerePutAddedAndNotTakenAway() {
        Random random = new Random(4);
        SimilarityMap likenesses = new SimilarityMap();
        Map<Integer, Float> slow = new HashMap<>();
        for (int i = 0; i < 20_000; i++) {
            int other = random.nextInt(400);
            float value = random.nextFloat();
            switch (random.nextInt(3)) {
                case 0 -> {
                    likenesses.remove(other);
                    slow.remove(other);
                }
                case 1 -> {
                    likenesses.add(other, value);
                    slow.merge(other, value, Float::sum);
                }
                default -> {
                    likenesses.put(other, value);
                    slow.put(other, value);
                }
            }
        }
        Map<Integer, Float> seen = new HashMap<>();
        likenesses.forEach((other, value) -> assertThat(seen.put(other, value)).isNull());
        assertThat(seen).isEqualTo(slow);
        assertThat(likenesses.size()).isEqualTo(slow.size());
        assertThat(likenesses.get(1_000)).isNaN();
    }

    /** Joins what is likest on average until nothing is like enough, looking at every pair each time. */
    @Test
    void topicsAreThoseOfTheSlowWayWhereEveryPairIsLookedAt() {
        for (int seed = 0; seed < 15; seed++) {
            Random random = new Random(seed);
            Map<String, Phrase> distinct = new TreeMap<>();
            for (Phrase phrase : phrases(random)) distinct.putIfAbsent(phrase.key(), phrase);
            List<Phrase> phrases = new ArrayList<>(distinct.values()).subList(0, Math.min(25, distinct.size()));
            Topics topics = new Topics();
            for (int i = 0; i < phrases.size(); i++) topics.add(phrases.get(i), i, new long[0]);
            assertThat(groups(topics.names())).isEqualTo(slowGroups(phrases));
        }
    }

    private static Set<Set<Integer>> groups(int[] names) {
        Map<Integer, Set<Integer>> groups = new TreeMap<>();
        for (int i = 0; i < names.length; i++)
            groups.computeIfAbsent(names[i], any -> new TreeSet<>()).add(i);
        return new HashSet<>(groups.values());
    }

    private static Set<Set<Integer>> slowGroups(List<Phrase> phrases) {
        double[][] likeness = new double[phrases.size()][phrases.size()];
        Map<String, Long> uses = new HashMap<>();
        for (Phrase phrase : phrases) stems(phrase).forEach(stem -> uses.merge(stem, 1L, Long::sum));
        for (int a = 0; a < phrases.size(); a++) {
            for (int b = 0; b < phrases.size(); b++) {
                double cosine = cosine(stems(phrases.get(a)), stems(phrases.get(b)), uses, phrases.size());
                likeness[a][b] = cosine < 0.25 ? 0 : cosine;
            }
        }
        List<Set<Integer>> groups = new ArrayList<>();
        for (int i = 0; i < phrases.size(); i++) groups.add(new TreeSet<>(Set.of(i)));
        while (true) {
            double best = 0;
            int bestA = -1;
            int bestB = -1;
            for (int a = 0; a < groups.size(); a++) {
                for (int b = a + 1; b < groups.size(); b++) {
                    double sum = 0;
                    for (int i : groups.get(a)) for (int j : groups.get(b)) sum += likeness[i][j];
                    double mean = sum / groups.get(a).size() / groups.get(b).size();
                    if (mean > best + 1e-6) {
                        best = mean;
                        bestA = a;
                        bestB = b;
                    }
                }
            }
            if (best < 0.42) return new HashSet<>(groups);
            groups.get(bestA).addAll(groups.remove(bestB));
        }
    }

    private static Set<String> stems(Phrase phrase) {
        Set<String> stems = new TreeSet<>();
        phrase.words().forEach(word -> stems.add(word.stem()));
        return stems;
    }

    private static double cosine(Set<String> a, Set<String> b, Map<String, Long> uses, int count) {
        double product = 0;
        double lengthA = 0;
        double lengthB = 0;
        for (String stem : a) lengthA += Math.pow(Math.log(1 + count / (double) uses.get(stem)), 2);
        for (String stem : b) lengthB += Math.pow(Math.log(1 + count / (double) uses.get(stem)), 2);
        for (String stem : a)
            if (b.contains(stem)) product += Math.pow(Math.log(1 + count / (double) uses.get(stem)), 2);
        return product / Math.sqrt(lengthA * lengthB);
    }

    @Test
    void placesInARowAreSaidInWords() {
        assertThat(List.of(1.2, 9.0, 12.4, 13.0, 21.0, 22.6, 23.2, 111.0, 0.4))
                .extracting(Ordinal::of)
                .containsExactly("first", "ninth", "twelfth", "13th", "21st", "23rd", "23rd", "111th", "first");
    }
}
