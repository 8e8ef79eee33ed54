package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/**
 * Which items hold which words, and where: what is needed to say how much an item is about a phrase.
 *
 * <p>Relevance is BM25F (Robertson, Zaragoza, Taylor: "Simple BM25 extension to multiple weighted fields", 2004) over
 * title, H1, slug, headings, link texts and copy, divided by the highest that the phrase could reach, so that the scores
 * of different phrases compare. Only the words of the vocabulary are kept. An item that is put again replaces what was
 * known of it; what comes out is the same as if it had been put so from the start.
 */
public final class ItemIndex {

    static final List<String> FIELDS = List.of("title", "H1", "address", "headings", "link texts", "copy");
    static final int TELLING_FIELDS = 0b010111;
    private static final int LINK_TEXTS = 4;
    private static final double[] WEIGHTS = {4, 3, 2.5, 1.5, 2, 0.5};
    private static final double LENGTH_SHARE = 0.6;
    private static final double SATURATION = 1.6;
    private static final int NEAREST_AMONG = 500;
    private static final double ROUNDING = 1e-9;
    private static final double UNKNOWN_RARITY = Math.log(10);

    private final Words language;
    private final String linkName;
    private final Map<String, Integer> vocabulary = new HashMap<>();
    private final List<Postings> postings = new ArrayList<>();
    private final Map<Long, Integer> ordinals = new HashMap<>();
    private final List<Item> items = new ArrayList<>();
    private final long[] totalLength = new long[FIELDS.size()];
    private double[] means = means();
    private final Map<Integer, Long> changedItems = new HashMap<>();
    private long version;
    private long meansChanged;

    public ItemIndex(Words language) {
        this(language, "link text");
    }

    /**
     * An index of items of which others are named instead of link texts.
     *
     * @param linkName what a reason calls one of what stands among the link texts: "tag" for items with tags
     */
    public ItemIndex(Words language, String linkName) {
        this.language = language;
        this.linkName = linkName;
    }

    private record Item(long id, int[] lengths, int[] words) {}

    /**
     * How much an item is about a phrase.
     *
     * @param score 0 to 1
     * @param telling the share of the phrase, by the rarity of its words, that stands in title, H1, slug or link texts
     * @param fields a bit for each field that holds all its words
     * @param anyFields … and for each that holds any of them
     * @param links how many times the rarest of its words stands in the texts of links to the item
     */
    record Match(int ordinal, double score, double telling, int fields, int anyFields, int links) {

        boolean isWholeWhereItCounts() {
            return (fields & TELLING_FIELDS) != 0;
        }

        boolean isWhole(int field) {
            return (fields & 1 << field) != 0;
        }

        boolean isTellingIn(int field) {
            return (anyFields & TELLING_FIELDS & 1 << field) != 0;
        }
    }

    /** A field as a reason names it. */
    String fieldName(int field, int links) {
        if (field != LINK_TEXTS) return FIELDS.get(field);
        if (links == 0) return linkName + "s";
        return links + " " + linkName + (links == 1 ? "" : "s");
    }

    /** Takes in the words of a phrase; those of all phrases come before the first item. */
    public void learn(Phrase phrase) {
        if (!items.isEmpty()) throw new IllegalStateException("phrases come before items");
        for (Word word : phrase.words()) {
            vocabulary.computeIfAbsent(word.stem(), stem -> {
                postings.add(new Postings());
                return postings.size() - 1;
            });
        }
    }

    /** What is kept of an item; made on any thread. */
    public final class Taken {
        private final long id;
        private final int[] lengths = new int[FIELDS.size()];
        private final Map<Integer, int[]> counts = new HashMap<>();

        private Taken(long id) {
            this.id = id;
        }
    }

    /** Takes the texts of an item apart; the costly half of putting it in, for which many threads can be used. */
    public Taken takeApart(long id, ItemTexts texts) {
        Taken taken = new Taken(id);
        String[] fields = {texts.title(), texts.h1(), texts.slug(), texts.headings(), texts.linkTexts(), texts.copy()};
        for (int field = 0; field < fields.length; field++) {
            if (fields[field].isEmpty()) continue;
            int place = field;
            taken.lengths[field] = language.forEachStem(fields[field], stem -> {
                Integer word = vocabulary.get(stem);
                if (word != null) taken.counts.computeIfAbsent(word, any -> new int[fields.length])[place]++;
            });
        }
        return taken;
    }

    /** Puts an item in, in the place of what was known of it. */
    public void put(Taken taken) {
        version++;
        Integer known = ordinals.get(taken.id);
        int ordinal = known == null ? items.size() : known;
        int[] words =
                taken.counts.keySet().stream().mapToInt(word -> word).sorted().toArray();
        Item item = new Item(taken.id, taken.lengths, words);
        if (known == null) {
            ordinals.put(taken.id, ordinal);
            items.add(item);
        } else {
            Item before = items.set(ordinal, item);
            markChanged(before, taken);
            changedItems.put(ordinal, version);
            for (int word : before.words) postings.get(word).remove(ordinal);
            for (int field = 0; field < totalLength.length; field++) totalLength[field] -= before.lengths[field];
        }
        for (int word : words) postings.get(word).put(ordinal, packed(taken.counts.get(word)));
        for (int field = 0; field < totalLength.length; field++) totalLength[field] += taken.lengths[field];
        double[] now = means();
        if (known == null || !Arrays.equals(now, means)) meansChanged = version;
        means = now;
    }

    /** Marks the words that so many more or fewer items hold now that their rarity is another. */
    private void markChanged(Item before, Taken after) {
        for (int word : before.words) {
            Postings own = postings.get(word);
            if (!after.counts.containsKey(word) && rounded(own.size) != rounded(own.size - 1)) own.changed = version;
        }
        for (int word : after.counts.keySet()) {
            Postings own = postings.get(word);
            boolean isNew = Arrays.binarySearch(before.words, word) < 0;
            if (isNew && rounded(own.size) != rounded(own.size + 1)) own.changed = version;
        }
    }

    /** A count to two digits. */
    private static double rounded(double count) {
        if (count < 100) return count;
        double digits = Math.pow(10, Math.floor(Math.log10(count)) - 1);
        return Math.round(count / digits) * digits;
    }

    /**
     * The mean lengths of the fields, to two digits: so the edit of some items changes what is found for those items only,
     * and what is found without looking at the others again is the same as if all had been.
     */
    private double[] means() {
        double[] rounded = new double[FIELDS.size()];
        for (int field = 0; field < rounded.length; field++) {
            double mean = Math.max(1, totalLength[field] / (double) Math.max(1, items.size()));
            rounded[field] = rounded(100 * mean) / 100;
        }
        return rounded;
    }

    /** Counts up with every item that is put. */
    long version() {
        return version;
    }

    /** The items that were put again after a version, ascending. */
    int[] changedAfter(long since) {
        return changedItems.entrySet().stream()
                .filter(each -> each.getValue() > since)
                .mapToInt(Map.Entry::getKey)
                .sorted()
                .toArray();
    }

    /** The version since which all items match a phrase as they did, but for those that were put again. */
    long changed(Phrase phrase) {
        long changed = meansChanged;
        for (Word word : phrase.words()) {
            Integer number = vocabulary.get(word.stem());
            if (number != null) changed = Math.max(changed, postings.get(number).changed);
        }
        return changed;
    }

    public void put(long id, ItemTexts texts) {
        put(takeApart(id, texts));
    }

    public int size() {
        return items.size();
    }

    long id(int ordinal) {
        return items.get(ordinal).id;
    }

    /** Where an item stands; -1 where there is none such. */
    int ordinal(long id) {
        return ordinals.getOrDefault(id, -1);
    }

    /** A phrase, made ready to be looked for. */
    final class Search {
        private final Postings[] words;
        private final double[] rarities;
        private final double max;

        private Search(Phrase phrase) {
            words = phrase.words().stream()
                    .map(word -> vocabulary.get(word.stem()))
                    .map(word -> word == null ? new Postings() : postings.get(word))
                    .toArray(Postings[]::new);
            rarities = Arrays.stream(words).mapToDouble(ItemIndex.this::rarity).toArray();
            max = Arrays.stream(rarities).sum();
        }

        /**
         * All items that hold every word of the phrase, and at least this share of it where it counts. Only the items that
         * hold one of its rarer words there are looked at: the others cannot reach the share.
         *
         * @param minTelling above 0, to 1
         */
        void forEachMatch(double minTelling, Consumer<Match> found) {
            Integer[] order = new Integer[words.length];
            for (int w = 0; w < order.length; w++) order[w] = w;
            Arrays.sort(order, Comparator.comparingInt(w -> words[w].telling.size()));
            double min = minTelling * max - ROUNDING;
            double rest = max;
            for (int i = 0; i < order.length && rest >= min; i++) {
                IntSet candidates = words[order[i]].telling;
                for (int at = 0; at < candidates.size(); at++) {
                    int ordinal = candidates.get(at);
                    if (isInAny(order, i, ordinal) || telling(ordinal) < min) continue;
                    Match match = match(ordinal, true);
                    if (match != null) found.accept(match);
                }
                rest -= rarities[order[i]];
            }
        }

        /** Whether an item was come upon already, by one of the words before. */
        private boolean isInAny(Integer[] order, int count, int ordinal) {
            for (int i = 0; i < count; i++) if (words[order[i]].telling.contains(ordinal)) return true;
            return false;
        }

        private double telling(int ordinal) {
            double sum = 0;
            for (int w = 0; w < words.length; w++) if (words[w].telling.contains(ordinal)) sum += rarities[w];
            return sum;
        }

        /** How much an item that holds every word of the phrase is about it; null where it does not. */
        Match whole(int ordinal) {
            return match(ordinal, true);
        }

        /** How much one item is about the phrase, though words may be missing. */
        Match of(int ordinal) {
            return match(ordinal, false);
        }

        private Match match(int ordinal, boolean whole) {
            Item item = items.get(ordinal);
            double sum = 0;
            double telling = 0;
            int fieldsOfAll = -1;
            int fieldsOfAny = 0;
            int links = Integer.MAX_VALUE;
            for (int w = 0; w < words.length; w++) {
                int at = words[w].find(ordinal);
                if (at < 0) {
                    if (whole) return null;
                    fieldsOfAll = 0;
                    links = 0;
                    continue;
                }
                long counts = words[w].counts[at];
                double frequency = 0;
                int fields = 0;
                for (int field = 0; field < means.length; field++) {
                    int count = (int) (counts >>> 8 * field) & 0xFF;
                    if (count == 0) continue;
                    fields |= 1 << field;
                    double length = 1 - LENGTH_SHARE + LENGTH_SHARE * item.lengths[field] / means[field];
                    frequency += WEIGHTS[field] * count / length;
                }
                sum += rarities[w] * frequency / (SATURATION + frequency);
                if ((fields & TELLING_FIELDS) != 0) telling += rarities[w];
                fieldsOfAll &= fields;
                fieldsOfAny |= fields;
                links = Math.min(links, (int) (counts >>> 8 * LINK_TEXTS) & 0xFF);
            }
            if (max == 0) return new Match(ordinal, 0, 0, 0, 0, 0);
            return new Match(ordinal, sum / max, telling / max, fieldsOfAll, fieldsOfAny, links);
        }
    }

    /** How much an item is about a phrase, 0 to 1, though words may be missing; 0 where there is no such item. */
    public double relevance(long id, Phrase phrase) {
        int ordinal = ordinal(id);
        return ordinal < 0 ? 0 : search(phrase).of(ordinal).score();
    }

    /** The item that is most about a phrase, though words may be missing; -1 where none holds any of them. */
    public long nearest(Phrase phrase) {
        Search search = search(phrase);
        Match best = null;
        for (Postings word : search.words) {
            for (int i = 0; i < Math.min(word.telling.size(), NEAREST_AMONG); i++) {
                Match match = search.of(word.telling.get(i));
                if (best == null || match.score > best.score) best = match;
            }
        }
        return best == null ? -1 : id(best.ordinal);
    }

    /** The item that is most about a phrase of those that hold all its words where it counts; -1 where none does. */
    public long holding(Phrase phrase) {
        Match[] best = new Match[1];
        search(phrase).forEachMatch(1, match -> {
            if (best[0] == null || match.score > best[0].score) best[0] = match;
        });
        return best[0] == null ? -1 : id(best[0].ordinal);
    }

    Search search(Phrase phrase) {
        return new Search(phrase);
    }

    /** A word that no item holds says little of any of them: it weighs as one that a tenth of them hold. */
    private double rarity(Postings word) {
        if (word.size == 0) return UNKNOWN_RARITY;
        double holding = rounded(word.size);
        return Math.log(1 + (Math.max(0, items.size() - holding) + 0.5) / (holding + 0.5)) + 0.1;
    }

    private static long packed(int[] counts) {
        long packed = 0;
        for (int field = 0; field < counts.length; field++) packed |= (long) Math.min(255, counts[field]) << 8 * field;
        return packed;
    }
}
