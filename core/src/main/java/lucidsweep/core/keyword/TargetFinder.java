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
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/**
 * Gives every keyword one home and every item one primary and up to four secondary keywords.
 *
 * <p>An item fits a keyword if it holds all its words, most of them (by rarity) where it counts: title, H1, slug or link
 * texts; or if it ranks for it already. How well is its relevance ({@link ItemIndex}), with what it ranks blended in.
 * Pairs are taken from the best down; of equal ones the longer keyword first, and among those the one searched more; then
 * keywords left without a home get one where another can move to a home nearly as good. What is still without one becomes
 * a secondary keyword of the item it fits best. The same input gives the same result, whatever its order.
 */
public final class TargetFinder {

    private static final double MIN_SCORE = 0.3;
    private static final double MIN_TELLING = 0.6;
    private static final double WHOLE = 0.15;
    private static final double RANKING = 0.35;
    private static final double MIN_RANKING = 0.3;
    private static final double SPECIFIC = 0.08;
    private static final int RUNNERS_UP = 12;
    private static final double ROUNDING = 1e-9;
    private static final int SECONDARIES = 4;
    private static final double NEARLY_AS_GOOD = 0.85;
    private static final double LAST_POSITION = 50;

    private final ItemIndex index;
    private final MatchCache fittings;
    private final List<Phrase> keywords = new ArrayList<>();
    private final List<Long> volumes = new ArrayList<>();
    private final Map<Integer, List<Rank>> ranks = new HashMap<>();

    public TargetFinder(ItemIndex index) {
        this(index, new MatchCache(index));
    }

    /** One that need not look again for what was found before; keywords and ranks must be the same as then. */
    public TargetFinder(ItemIndex index, MatchCache fittings) {
        this.index = index;
        this.fittings = fittings;
    }

    record Rank(int ordinal, double position, double worth) {}

    /**
     * An item that a keyword could live with.
     *
     * @param score how well they fit, 0 to 1
     */
    public record Candidate(long item, double score, String reason) {}

    /** Adds a keyword, whose words the index has learnt. */
    public void keyword(Phrase phrase, long volume) {
        keywords.add(phrase);
        volumes.add(volume);
    }

    /**
     * Says that an item ranks for a keyword already.
     *
     * @param position mean position, 1 or more
     * @param share of the impressions that the keyword brings the property, 0 to 1
     */
    public void ranks(int keyword, long item, double position, double share) {
        int ordinal = index.ordinal(item);
        if (ordinal < 0 || position < 1 || position >= LAST_POSITION) return;
        double worth = Math.sqrt(share) * (1 - (position - 1) / LAST_POSITION);
        ranks.computeIfAbsent(keyword, any -> new ArrayList<>()).add(new Rank(ordinal, position, worth));
    }

    /** The targets of all items that have one, the best fitting first. */
    public List<Target> targets(Decided decided) {
        List<List<Pair>> candidates = IntStream.range(0, keywords.size())
                .parallel()
                .mapToObj(keyword -> decided.hasHome(keyword) ? List.<Pair>of() : fitting(keyword, decided))
                .toList();
        Homes homes = new Homes(candidates, item -> decided.withoutPrimary.contains(index.id(item)));
        candidates.stream().flatMap(List::stream).sorted(bestFirst()).forEach(homes::giveIfFree);
        List<List<Pair>> left = candidates.stream()
                .filter(some -> !some.isEmpty() && homes.lacks(some.get(0).keyword))
                .sorted(Comparator.comparing(some -> some.get(0), bestFirst()))
                .toList();
        left.forEach(homes::makeRoom);
        List<Target> targets = new ArrayList<>();
        homes.given().stream().sorted(bestFirst()).forEach(pair -> targets.add(target(pair, Target.Role.PRIMARY)));
        addSecondaries(left, homes, decided, targets);
        return targets;
    }

    private void addSecondaries(List<List<Pair>> left, Homes homes, Decided decided, List<Target> targets) {
        Map<Long, Integer> counts = new HashMap<>(decided.secondaries);
        for (List<Pair> some : left) {
            if (!homes.lacks(some.get(0).keyword)) continue;
            for (Pair pair : some) {
                long item = index.id(pair.match.ordinal());
                if (!pair.isPlain() || counts.getOrDefault(item, 0) >= SECONDARIES) continue;
                counts.merge(item, 1, Integer::sum);
                targets.add(target(pair, Target.Role.SECONDARY));
                break;
            }
        }
    }

    private Target target(Pair pair, Target.Role role) {
        return new Target(index.id(pair.match.ordinal()), pair.keyword, role, pair.score, reason(pair));
    }

    /** The items that a keyword could live with, the best first. */
    public List<Candidate> candidates(int keyword) {
        return found(keyword).stream()
                .sorted(bestItemFirst())
                .limit(RUNNERS_UP)
                .map(pair -> new Candidate(index.id(pair.match.ordinal()), pair.score, reason(pair)))
                .toList();
    }

    private Comparator<Pair> bestFirst() {
        return (a, b) -> {
            int order = Double.compare(b.weight, a.weight);
            if (order == 0) order = Long.compare(volumes.get(b.keyword), volumes.get(a.keyword));
            if (order == 0) order = Long.compare(index.id(a.match.ordinal()), index.id(b.match.ordinal()));
            return order == 0 ? Integer.compare(a.keyword, b.keyword) : order;
        };
    }

    /** Who lives where while primary keywords are given out. */
    private static final class Homes {
        private final List<List<Pair>> candidates;
        private final Map<Integer, Pair> ofKeyword = new HashMap<>();
        private final Map<Integer, Pair> ofItem = new HashMap<>();

        private final IntPredicate decided;

        private Homes(List<List<Pair>> candidates, IntPredicate decided) {
            this.candidates = candidates;
            this.decided = decided;
        }

        private Collection<Pair> given() {
            return ofKeyword.values();
        }

        private boolean lacks(int keyword) {
            return !ofKeyword.containsKey(keyword);
        }

        private void giveIfFree(Pair pair) {
            if (lacks(pair.keyword) && isFree(pair.match.ordinal())) give(pair);
        }

        private boolean isFree(int item) {
            return !ofItem.containsKey(item) && !decided.test(item);
        }

        private void give(Pair pair) {
            ofKeyword.put(pair.keyword, pair);
            ofItem.put(pair.match.ordinal(), pair);
        }

        /** A keyword whose items are all taken gets one where the keyword there has another home nearly as good. */
        private void makeRoom(List<Pair> wanted) {
            for (Pair pair : wanted) {
                Pair there = ofItem.get(pair.match.ordinal());
                if (there == null) continue;
                for (Pair other : candidates.get(there.keyword)) {
                    if (!isFree(other.match.ordinal())) continue;
                    if (other.weight < there.weight * NEARLY_AS_GOOD) continue;
                    give(other);
                    give(pair);
                    return;
                }
            }
        }
    }

    /**
     * A keyword and an item.
     *
     * @param weight what pairs are ordered by
     */
    record Pair(int keyword, ItemIndex.Match match, Rank rank, double score, double weight) {

        /** Whether it needs no guess that the item is about the keyword. */
        boolean isPlain() {
            return match.isWholeWhereItCounts() || isGood(rank);
        }
    }

    /** The items that fit a keyword nearly as well as the best of them, but for those that a person cleared. */
    private List<Pair> fitting(int keyword, Decided decided) {
        Phrase phrase = keywords.get(keyword);
        if (phrase.words().isEmpty()) return List.of();
        List<Pair> all = fittings.of(keyword, phrase, new Search(keyword));
        boolean cleared = all.stream().anyMatch(pair -> decided.clear.contains(index.id(pair.match.ordinal())));
        if (!cleared) return all;
        List<Pair> left = found(keyword);
        left.removeIf(pair -> decided.clear.contains(index.id(pair.match.ordinal())));
        return best(left);
    }

    private final class Search implements MatchCache.Finding {
        private final int keyword;

        private Search(int keyword) {
            this.keyword = keyword;
        }

        @Override
        public List<Pair> anew() {
            return best(found(keyword));
        }

        @Override
        public List<Pair> with(List<Pair> before, int[] changedItems) {
            for (Pair pair : before) {
                if (Arrays.binarySearch(changedItems, pair.match.ordinal()) >= 0) return null;
            }
            List<Pair> now = new ArrayList<>(before);
            ItemIndex.Search search = index.search(keywords.get(keyword));
            Map<Integer, Rank> ranked = ranked(keyword);
            for (int ordinal : changedItems) {
                Pair pair = fitting(keyword, search, ordinal, ranked.get(ordinal));
                if (pair != null) now.add(pair);
            }
            return now.size() == before.size() ? before : best(now);
        }
    }

    private Map<Integer, Rank> ranked(int keyword) {
        List<Rank> all = ranks.getOrDefault(keyword, List.of());
        if (all.isEmpty()) return Map.of();
        Map<Integer, Rank> ranked = new HashMap<>();
        for (Rank rank : all) ranked.put(rank.ordinal, rank);
        return ranked;
    }

    /** All items that fit a keyword. */
    private List<Pair> found(int keyword) {
        Map<Integer, Rank> ranked = ranked(keyword);
        List<Pair> found = new ArrayList<>();
        ItemIndex.Search search = index.search(keywords.get(keyword));
        Set<Integer> seen = new HashSet<>();
        search.forEachMatch(MIN_TELLING, match -> {
            Rank rank = ranked.get(match.ordinal());
            if (rank != null) seen.add(rank.ordinal);
            if (match.score() >= MIN_SCORE || isGood(rank)) found.add(pair(keyword, match, rank));
        });
        for (Rank rank : ranked.values()) {
            Pair pair = seen.contains(rank.ordinal) ? null : fitting(keyword, search, rank.ordinal, rank);
            if (pair != null) found.add(pair);
        }
        return found;
    }

    /** A keyword with one item; null where they do not fit. */
    private Pair fitting(int keyword, ItemIndex.Search search, int ordinal, Rank rank) {
        ItemIndex.Match whole = search.whole(ordinal);
        if (!isGood(rank)) {
            boolean fits = whole != null && whole.score() >= MIN_SCORE && whole.telling() >= MIN_TELLING - ROUNDING;
            return fits ? pair(keyword, whole, rank) : null;
        }
        ItemIndex.Match match = whole == null ? search.of(ordinal) : whole;
        return whole != null || match.telling() >= MIN_TELLING - ROUNDING ? pair(keyword, match, rank) : null;
    }

    /** Those that fit nearly as well as the best, the best first. */
    private List<Pair> best(List<Pair> found) {
        double best = 0;
        for (Pair pair : found) best = Math.max(best, pair.weight);
        double min = best * NEARLY_AS_GOOD;
        return found.stream()
                .filter(pair -> pair.weight >= min)
                .sorted(bestItemFirst())
                .limit(RUNNERS_UP)
                .toList();
    }

    private Comparator<Pair> bestItemFirst() {
        return Comparator.comparingDouble((Pair pair) -> -pair.weight)
                .thenComparing(pair -> index.id(pair.match.ordinal()));
    }

    private static boolean isGood(Rank rank) {
        return rank != null && rank.worth >= MIN_RANKING;
    }

    private Pair pair(int keyword, ItemIndex.Match match, Rank rank) {
        double worth = rank == null ? 0 : rank.worth;
        double whole = match.isWholeWhereItCounts() ? WHOLE : 0;
        double specific = SPECIFIC * (keywords.get(keyword).words().size() - 1);
        double score = Math.min(1, (match.score() + RANKING * worth) / (1 + RANKING * worth));
        double weight = match.score() + whole + RANKING * worth + specific;
        return new Pair(keyword, match, rank, score, weight);
    }

    private String reason(Pair pair) {
        ItemIndex.Match match = pair.match;
        boolean whole = match.isWholeWhereItCounts();
        List<String> names = new ArrayList<>();
        for (int field = 0; field < ItemIndex.FIELDS.size(); field++) {
            boolean named = whole ? match.isWhole(field) : match.isTellingIn(field);
            if (named) names.add(index.fieldName(field, match.links()));
        }
        String last = names.isEmpty() ? "" : names.remove(names.size() - 1);
        String listed = names.isEmpty() ? last : String.join(", ", names) + " and " + last;
        String counted = !listed.isEmpty() && Character.isDigit(listed.charAt(0)) ? listed : "the " + listed;
        String place = whole
                ? "in " + counted
                : (match.telling() > 0.999 ? "its words stand in " : "most of its words stand in ") + counted;
        return pair.rank == null ? place : place + "; already " + Ordinal.of(pair.rank.position) + " for it";
    }
}
