package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Finds for each item the keyword it fits best; a keyword has one home, an item one primary keyword.
 *
 * <p>Relevance is BM25F (Robertson, Zaragoza, Taylor: "Simple BM25 extension to multiple weighted fields", 2004) over
 * title, H1, slug, headings, link texts and copy, divided by the highest that the keyword could reach, so that the
 * scores of different keywords compare. An item fits a keyword only if it holds all its words and at least one of them
 * where it counts (title, H1, slug or link texts). Pairs are taken from the best down; of equal ones the longer keyword
 * first, and among those the one searched more; then keywords left without a home get one where another can move to a
 * home nearly as good. The same input gives the same result.
 */
public final class TargetFinder {

    private static final String[] FIELD_NAMES = {"title", "H1", "address", "headings", "link texts", "copy"};
    private static final double[] FIELD_WEIGHTS = {4, 3, 2.5, 1.5, 2, 0.5};
    private static final double LENGTH_SHARE = 0.6;
    private static final double SATURATION = 1.6;
    private static final int TELLING_FIELDS = 0b010111;
    private static final double LEAST_SCORE = 0.3;
    private static final double SPECIFIC = 0.08;
    private static final int RUNNERS_UP = 40;
    private static final double NEARLY_AS_GOOD = 0.85;

    private final Words language;
    private final List<Phrase> keywords = new ArrayList<>();
    private final List<Long> volumes = new ArrayList<>();
    private final Map<String, Postings> vocabulary = new HashMap<>();
    private final LongList items = new LongList();
    private final List<float[]> lengths = new ArrayList<>();
    private final double[] totalLength = new double[FIELD_NAMES.length];

    public TargetFinder(Words language) {
        this.language = language;
    }

    /** Adds a keyword; all keywords come before the first item. */
    public void keyword(String text, long volume) {
        if (!lengths.isEmpty()) throw new IllegalStateException("keywords come before items");
        Phrase phrase = Phrase.of(text, language);
        keywords.add(phrase);
        volumes.add(volume);
        for (Word word : phrase.words()) vocabulary.computeIfAbsent(word.stem(), stem -> new Postings());
    }

    /** Adds an item. Only the words that some keyword holds are kept of it. */
    public void item(long id, ItemTexts texts) {
        int ordinal = items.size();
        items.add(id);
        String[] fields = {texts.title(), texts.h1(), texts.slug(), texts.headings(), texts.linkTexts(), texts.copy()};
        float[] length = new float[fields.length];
        Map<String, int[]> counts = new HashMap<>();
        for (int field = 0; field < fields.length; field++) {
            List<Word> words = fields[field].isEmpty() ? List.of() : language.of(fields[field]);
            length[field] = words.size();
            totalLength[field] += words.size();
            for (Word word : words) {
                if (!vocabulary.containsKey(word.stem())) continue;
                counts.computeIfAbsent(word.stem(), stem -> new int[fields.length])[field]++;
            }
        }
        lengths.add(length);
        counts.forEach((stem, count) -> vocabulary.get(stem).add(ordinal, count));
    }

    /**
     * The targets of all items that have one.
     *
     * @param fixedItems items whose target is settled: they get none here
     * @param fixedKeywords places of keywords that already have a home
     */
    public List<Target> targets(Collection<Long> fixedItems, Collection<Integer> fixedKeywords) {
        Set<Long> settledItems = new HashSet<>(fixedItems);
        Set<Integer> settledKeywords = new HashSet<>(fixedKeywords);
        List<List<Pair>> candidates = new ArrayList<>();
        for (int keyword = 0; keyword < keywords.size(); keyword++) {
            candidates.add(settledKeywords.contains(keyword) ? List.of() : bestItems(keyword, settledItems));
        }
        Homes homes = new Homes(candidates);
        List<Pair> pairs = new ArrayList<>();
        candidates.forEach(pairs::addAll);
        pairs.sort(bestFirst());
        pairs.forEach(homes::giveIfFree);
        candidates.stream()
                .filter(some -> !some.isEmpty() && homes.lacks(some.get(0).keyword))
                .sorted(Comparator.comparing(some -> some.get(0), bestFirst()))
                .forEach(homes::makeRoom);
        return homes.given().stream()
                .sorted(bestFirst())
                .map(pair -> new Target(items.get(pair.ordinal), pair.keyword, pair.score, reason(pair)))
                .toList();
    }

    private Comparator<Pair> bestFirst() {
        return Comparator.comparingDouble((Pair pair) -> -pair.rank)
                .thenComparing(pair -> -volumes.get(pair.keyword))
                .thenComparing(pair -> items.get(pair.ordinal))
                .thenComparing(pair -> pair.keyword);
    }

    /** Who lives where while homes are given out. */
    private static final class Homes {
        private final List<List<Pair>> candidates;
        private final Map<Integer, Pair> ofKeyword = new HashMap<>();
        private final Map<Integer, Pair> ofItem = new HashMap<>();

        private Homes(List<List<Pair>> candidates) {
            this.candidates = candidates;
        }

        private Collection<Pair> given() {
            return ofKeyword.values();
        }

        private boolean lacks(int keyword) {
            return !ofKeyword.containsKey(keyword);
        }

        private void giveIfFree(Pair pair) {
            if (!lacks(pair.keyword) || ofItem.containsKey(pair.ordinal)) return;
            ofKeyword.put(pair.keyword, pair);
            ofItem.put(pair.ordinal, pair);
        }

        /** A keyword whose items are all taken gets one where the keyword there has another home nearly as good. */
        private void makeRoom(List<Pair> wanted) {
            for (Pair pair : wanted) {
                Pair there = ofItem.get(pair.ordinal);
                for (Pair other : candidates.get(there.keyword)) {
                    if (other.rank < there.rank * NEARLY_AS_GOOD || ofItem.containsKey(other.ordinal)) continue;
                    ofItem.put(other.ordinal, other);
                    ofKeyword.put(other.keyword, other);
                    ofItem.put(pair.ordinal, pair);
                    ofKeyword.put(pair.keyword, pair);
                    return;
                }
            }
        }
    }

    private record Pair(int keyword, int ordinal, double score, double rank, int fields) {}

    private List<Pair> bestItems(int keyword, Set<Long> taken) {
        List<Word> words = keywords.get(keyword).words();
        if (words.isEmpty()) return List.of();
        List<Postings> all =
                words.stream().map(word -> vocabulary.get(word.stem())).toList();
        Postings rarest =
                all.stream().min(Comparator.comparingInt(Postings::size)).orElseThrow();
        List<Pair> found = new ArrayList<>();
        for (int i = 0; i < rarest.size(); i++) {
            int ordinal = rarest.items[i];
            if (!taken.contains(items.get(ordinal))) score(keyword, ordinal, all, found);
        }
        found.sort(
                Comparator.comparingDouble((Pair pair) -> -pair.rank).thenComparing(pair -> items.get(pair.ordinal)));
        return found.subList(0, Math.min(RUNNERS_UP, found.size()));
    }

    private void score(int keyword, int ordinal, List<Postings> words, List<Pair> found) {
        double sum = 0;
        double most = 0;
        int fieldsOfAll = -1;
        int fieldsOfAny = 0;
        for (Postings word : words) {
            int at = word.find(ordinal);
            if (at < 0) return;
            double frequency = 0;
            int fields = 0;
            for (int field = 0; field < FIELD_NAMES.length; field++) {
                int count = word.count(at, field);
                if (count == 0) continue;
                fields |= 1 << field;
                double mean = Math.max(1, totalLength[field] / items.size());
                double length = 1 - LENGTH_SHARE + LENGTH_SHARE * lengths.get(ordinal)[field] / mean;
                frequency += FIELD_WEIGHTS[field] * count / length;
            }
            double rarity = Math.log(1 + (items.size() - word.size() + 0.5) / (word.size() + 0.5)) + 0.1;
            sum += rarity * frequency / (SATURATION + frequency);
            most += rarity;
            fieldsOfAll &= fields;
            fieldsOfAny |= fields;
        }
        double score = sum / most;
        if (score < LEAST_SCORE || (fieldsOfAny & TELLING_FIELDS) == 0) return;
        double wholeInTelling = (fieldsOfAll & TELLING_FIELDS) != 0 ? 0.15 : 0;
        double rank = score + wholeInTelling + SPECIFIC * (words.size() - 1);
        found.add(new Pair(keyword, ordinal, score, rank, fieldsOfAll));
    }

    private static String reason(Pair pair) {
        List<String> names = new ArrayList<>();
        for (int field = 0; field < FIELD_NAMES.length; field++) {
            if ((pair.fields & 1 << field) != 0) names.add(FIELD_NAMES[field]);
        }
        if (names.isEmpty()) return "its words stand in different places of the item";
        String last = names.remove(names.size() - 1);
        return "all its words stand in the " + (names.isEmpty() ? last : String.join(", ", names) + " and " + last);
    }

    /** The items that hold one stem, in the order they came, with how often in which field (at most 255 each). */
    private static final class Postings {
        private int[] items = new int[4];
        private long[] counts = new long[4];
        private int size;

        private void add(int item, int[] count) {
            if (size == items.length) {
                items = Arrays.copyOf(items, size * 2);
                counts = Arrays.copyOf(counts, size * 2);
            }
            items[size] = item;
            for (int field = 0; field < count.length; field++) {
                counts[size] |= (long) Math.min(255, count[field]) << (8 * field);
            }
            size++;
        }

        private int size() {
            return size;
        }

        private int find(int item) {
            return Arrays.binarySearch(items, 0, size, item);
        }

        private int count(int at, int field) {
            return (int) (counts[at] >>> (8 * field)) & 0xFF;
        }
    }

    private static final class LongList {
        private long[] values = new long[64];
        private int size;

        private void add(long value) {
            if (size == values.length) values = Arrays.copyOf(values, size * 2);
            values[size++] = value;
        }

        private long get(int at) {
            return values[at];
        }

        private int size() {
            return size;
        }
    }
}
