package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;

/**
 * Gathers phrases into topics: agglomerative, by average likeness. Two phrases are alike by the words they share, weighed
 * by their rarity among all phrases (cosine), and by the items that rank for both. Each topic is named by its strongest
 * phrase. The same phrases give the same topics, whatever their order, where no two are alike to the last digit.
 *
 * <p>Only pairs that share a word are looked at, and of a word in very many phrases only those nearest in the alphabet of
 * their keys; so the work grows with the number of phrases, not with its square.
 */
public final class Topics {

    private static final double MIN_LIKENESS = 0.42;
    private static final double MIN_KEPT = 0.25;
    private static final double RANKING_SHARE = 0.35;
    private static final int MAX_NEIGHBOURS = 60;

    private final List<Entry> entries = new ArrayList<>();

    /**
     * A phrase.
     *
     * @param items those that rank for it, in order
     */
    private record Entry(Phrase phrase, String key, long volume, long[] items) {}

    /**
     * Adds a phrase.
     *
     * @param items those that rank for it, none twice
     */
    public void add(Phrase phrase, long volume, long[] items) {
        long[] sorted = items.clone();
        Arrays.sort(sorted);
        entries.add(new Entry(phrase, phrase.key(), volume, sorted));
    }

    /** For each phrase the place of the one that its topic is named by. */
    public int[] names() {
        Integer[] order = new Integer[entries.size()];
        for (int i = 0; i < order.length; i++) order[i] = i;
        Arrays.sort(
                order,
                Comparator.comparing((Integer i) -> entries.get(i).key)
                        .thenComparing(i -> entries.get(i).phrase.text()));
        int[] parents = new Joining(Arrays.stream(order).map(entries::get).toList()).parents();
        Map<Integer, Integer> strongest = new HashMap<>();
        for (int i = 0; i < parents.length; i++) strongest.merge(parents[i], order[i], this::stronger);
        int[] names = new int[parents.length];
        for (int i = 0; i < parents.length; i++) names[order[i]] = strongest.get(parents[i]);
        return names;
    }

    private int stronger(int a, int b) {
        int byVolume = Long.compare(entries.get(b).volume, entries.get(a).volume);
        return byVolume < 0 || byVolume == 0 && entries.get(a).key.compareTo(entries.get(b).key) <= 0 ? a : b;
    }

    /** Two topics that may become one; the likest first. */
    private record Join(float likeness, int a, int b) implements Comparable<Join> {
        private static final Comparator<Join> ORDER = Comparator.comparingDouble((Join join) -> -join.likeness)
                .thenComparingInt(Join::a)
                .thenComparingInt(Join::b);

        @Override
        public int compareTo(Join other) {
            return ORDER.compare(this, other);
        }
    }

    /** The words of a phrase by number, in order, with their weights; their squares add up to 1. */
    private record Vector(int[] words, float[] weights) {}

    /** Joins phrases that are in the order of their keys. */
    private static final class Joining {
        private final List<Entry> phrases;
        private final List<Vector> vectors = new ArrayList<>();
        private final List<List<Integer>> holding = new ArrayList<>();
        private final SimilarityMap[] near;
        private final int[] sizes;
        private final int[] parents;
        private final PriorityQueue<Join> joins = new PriorityQueue<>();

        private Joining(List<Entry> phrases) {
            this.phrases = phrases;
            near = new SimilarityMap[phrases.size()];
            sizes = new int[phrases.size()];
            parents = new int[phrases.size()];
            for (int i = 0; i < near.length; i++) {
                near[i] = new SimilarityMap();
                sizes[i] = 1;
                parents[i] = i;
            }
            weigh();
            findPairs();
        }

        private void weigh() {
            Map<String, Integer> numbers = new HashMap<>();
            List<int[]> words = new ArrayList<>();
            for (int i = 0; i < phrases.size(); i++) {
                int[] own = phrases.get(i).phrase.words().stream()
                        .map(Word::stem)
                        .distinct()
                        .mapToInt(stem -> numbers.computeIfAbsent(stem, any -> {
                            holding.add(new ArrayList<>());
                            return holding.size() - 1;
                        }))
                        .sorted()
                        .toArray();
                for (int word : own) holding.get(word).add(i);
                words.add(own);
            }
            for (int[] own : words) {
                float[] weights = new float[own.length];
                double squares = 0;
                for (int w = 0; w < own.length; w++) {
                    double rarity = Math.log(
                            1 + phrases.size() / (double) holding.get(own[w]).size());
                    weights[w] = (float) rarity;
                    squares += rarity * rarity;
                }
                for (int w = 0; w < own.length; w++) weights[w] /= (float) Math.sqrt(squares);
                vectors.add(new Vector(own, weights));
            }
        }

        private void findPairs() {
            for (List<Integer> some : holding) {
                for (int i = 0; i < some.size(); i++) {
                    int last = Math.min(some.size(), i + 1 + MAX_NEIGHBOURS);
                    for (int j = i + 1; j < last; j++) addPair(some.get(i), some.get(j));
                }
            }
        }

        private void addPair(int a, int b) {
            double words = cosine(vectors.get(a), vectors.get(b));
            double shared = shared(phrases.get(a).items, phrases.get(b).items);
            float likeness = (float) (words + RANKING_SHARE * (1 - words) * shared);
            if (likeness < MIN_KEPT || !Float.isNaN(near[a].get(b))) return;
            near[a].put(b, likeness);
            near[b].put(a, likeness);
            if (likeness >= MIN_LIKENESS) joins.add(new Join(likeness, a, b));
        }

        private int[] parents() {
            while (!joins.isEmpty()) {
                Join join = joins.poll();
                boolean stands =
                        near[join.a] != null && near[join.b] != null && near[join.a].get(join.b) == join.likeness;
                if (stands) unite(join.a, join.b);
            }
            for (int i = 0; i < parents.length; i++) {
                int root = i;
                while (parents[root] != root) root = parents[root];
                parents[i] = root;
            }
            return parents;
        }

        /** The likeness of a topic to another is the mean over their pairs; pairs that were not kept count as unlike. */
        private void unite(int a, int b) {
            float shareOfA = sizes[a] / (float) (sizes[a] + sizes[b]);
            SimilarityMap united = new SimilarityMap();
            near[a].forEach((other, likeness) -> united.put(other, likeness * shareOfA));
            near[b].forEach((other, likeness) -> united.add(other, likeness * (1 - shareOfA)));
            united.remove(a);
            united.remove(b);
            near[a] = united;
            near[b] = null;
            sizes[a] += sizes[b];
            parents[b] = a;
            united.forEach((other, likeness) -> {
                near[other].remove(b);
                near[other].put(a, likeness);
                if (likeness >= MIN_LIKENESS) joins.add(new Join(likeness, Math.min(a, other), Math.max(a, other)));
            });
        }

        private static double cosine(Vector a, Vector b) {
            double product = 0;
            for (int i = 0, j = 0; i < a.words.length && j < b.words.length; ) {
                if (a.words[i] == b.words[j]) product += a.weights[i++] * b.weights[j++];
                else if (a.words[i] < b.words[j]) i++;
                else j++;
            }
            return product;
        }

        /** The share of ranking items that two phrases have in common (Jaccard), 0 to 1. */
        private static double shared(long[] a, long[] b) {
            int both = 0;
            for (int i = 0, j = 0; i < a.length && j < b.length; ) {
                if (a[i] == b[j]) both++;
                if (a[i] <= b[j]) i++;
                else j++;
            }
            return both == 0 ? 0 : both / (double) (a.length + b.length - both);
        }
    }
}
