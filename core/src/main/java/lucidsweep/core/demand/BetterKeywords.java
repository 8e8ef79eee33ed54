package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.keyword.ItemIndex;
import lucidsweep.core.keyword.Phrase;

/**
 * Finds queries that an item begins to rank for and that are worth far more than what it aims at now.
 *
 * <p>Value = volume × (rate at a reachable position − rate now) × relevance, in clicks a month; reachable is half way to
 * the top. The volume is that of the keyword list, or what the item itself was shown where that is more. Refused is what is
 * the brand's, what another item serves (it is that item's keyword, or that item stands higher for it), what the item is
 * hardly about, what falls, and what is not searched three times as much as the present target, relevance counted in. An item without a target has nothing to be
 * better than and is passed over. Of an item too young to have settled it is only said until when to wait.
 */
public final class BetterKeywords {

    private static final double MIN_SHOWN = 20;
    private static final double MIN_RELEVANCE = 0.28;
    private static final double MIN_VALUE = 1;
    private static final double RANKING = 0.25;
    private static final double RANKING_ENDS = 50;
    private static final double FAR_MORE = 3;
    private static final double FIRST_POSITION = 3;
    private static final double LAST_POSITION = 40;
    private static final double FALLING = 0.7;
    private static final double OTHER_SHARE = 0.3;
    private static final int MAX_AN_ITEM = 3;
    private static final double HARDLY = 0.5;

    private final ItemIndex index;
    private final ClickCurve curve;
    private final List<Phrase> queries;
    private final List<String> keys;
    private final Set<Integer> brand;
    private final Map<String, Long> volumes = new HashMap<>();
    private final Map<String, Long> homes = new HashMap<>();
    private final Map<Long, Phrase> primary = new HashMap<>();
    private final Map<Long, Integer> youngUntil = new HashMap<>();

    /**
     * Looks among queries.
     *
     * @param queries by their numbers in the tally, no two with the same key; the index has learnt their words
     * @param brand the numbers of those that name the brand
     */
    public BetterKeywords(ItemIndex index, ClickCurve curve, List<Phrase> queries, Set<Integer> brand) {
        this.index = index;
        this.curve = curve;
        this.queries = queries;
        keys = queries.stream().map(Phrase::key).toList();
        this.brand = brand;
    }

    /**
     * A better keyword.
     *
     * @param now what the item aims at
     * @param shown impressions a month
     * @param rank the mean position in the window
     * @param positionBefore the mean position in the window before; 0 where not known
     * @param volume searches a month
     * @param reachable the position that value is reckoned with
     * @param relevance 0 to 1
     * @param value clicks a month, an estimate
     * @param youngUntil the day until which it is too early to say; 0 where it is not
     */
    public record Better(
            long item,
            String now,
            int query,
            double shown,
            Rank rank,
            double positionBefore,
            double volume,
            Rank reachable,
            double relevance,
            double value,
            int youngUntil) {

        /** A position and the clicks an impression there gets on the click curve. */
        public record Rank(double position, double rate) {}

        /** Why it is better, with every figure that its value was made of. */
        public String reason() {
            return String.format(
                    Locale.ROOT,
                    "%,.0f impressions a month at position %.1f, %s; estimate: %,.0f searches × (CTR %.1f%% at"
                            + " position %.1f − %.1f%% now) × relevance %.2f",
                    shown,
                    rank.position,
                    direction(),
                    volume,
                    100 * reachable.rate,
                    reachable.position,
                    100 * rank.rate,
                    relevance);
        }

        private String direction() {
            if (positionBefore < 1) return "new in these three months";
            if (positionBefore > rank.position + HARDLY)
                return String.format(Locale.ROOT, "up from %.1f", positionBefore);
            if (positionBefore < rank.position - HARDLY)
                return String.format(Locale.ROOT, "down from %.1f", positionBefore);
            return "as in the three months before";
        }
    }

    /** Says how often a phrase is searched a month. */
    public void volume(String key, long volume) {
        volumes.merge(key, volume, Math::max);
    }

    /** Says what an item aims at. */
    public void target(long item, Phrase keyword, boolean isPrimary) {
        homes.put(keyword.key(), item);
        if (isPrimary) primary.put(item, keyword);
    }

    /** Says that an item has not settled before a day. */
    public void young(long item, int untilDay) {
        youngUntil.put(item, untilDay);
    }

    /**
     * The better keywords, of the highest value first; at most three an item.
     *
     * @param lines of the tally
     * @param ids the item of each number in the tally; -1 for an address that is no item
     * @param months how many months the window has
     */
    public List<Better> of(List<DemandTally.Line> lines, long[] ids, double months) {
        Map<Integer, List<DemandTally.Line>> byQuery = new HashMap<>();
        Map<Integer, List<DemandTally.Line>> byItem = new HashMap<>();
        for (DemandTally.Line line : lines) {
            byQuery.computeIfAbsent(line.query(), any -> new ArrayList<>(2)).add(line);
            byItem.computeIfAbsent(line.item(), any -> new ArrayList<>()).add(line);
        }
        List<Better> found = new ArrayList<>();
        byItem.forEach((item, own) -> {
            if (ids[item] < 0 || !primary.containsKey(ids[item])) return;
            List<Better> ofItem = new ArrayList<>();
            double present = worthOfPresent(ids[item], own, months);
            for (DemandTally.Line line : own) {
                Better better = better(line, ids, byQuery.get(line.query()), present, months);
                if (better != null) ofItem.add(better);
            }
            ofItem.sort(BEST_FIRST);
            found.addAll(ofItem.subList(0, Math.min(MAX_AN_ITEM, ofItem.size())));
        });
        found.sort(BEST_FIRST);
        return found;
    }

    private static final Comparator<Better> BEST_FIRST = Comparator.comparingDouble((Better better) -> -better.value)
            .thenComparingLong(Better::item)
            .thenComparingInt(Better::query);

    private Better better(
            DemandTally.Line line, long[] ids, List<DemandTally.Line> all, double present, double months) {
        DemandTally.Sum now = line.now();
        double shown = now.impressions() / months;
        double position = now.position();
        if (shown < MIN_SHOWN || position < FIRST_POSITION || position > LAST_POSITION) return null;
        if (brand.contains(line.query()) || falls(line)) return null;
        Phrase query = queries.get(line.query());
        long item = ids[line.item()];
        Phrase target = primary.get(item);
        if (target.key().equals(keys.get(line.query()))) return null;
        if (isServedByAnother(line, ids, all, item)) return null;
        double relevance = relevance(item, query, position);
        if (relevance < MIN_RELEVANCE) return null;
        double volume = Math.max(shown, volumes.getOrDefault(keys.get(line.query()), 0L));
        Better.Rank rank = rank(position);
        Better.Rank reachable = rank(reachable(position));
        double value = volume * Math.max(0, reachable.rate() - rank.rate()) * relevance;
        if (value < MIN_VALUE || volume * relevance < FAR_MORE * present) return null;
        return new Better(
                item,
                target.text(),
                line.query(),
                shown,
                rank,
                line.before().position(),
                volume,
                reachable,
                relevance,
                value,
                youngUntil.getOrDefault(item, 0));
    }

    private Better.Rank rank(double position) {
        return new Better.Rank(position, curve.rate(position));
    }

    /** How much the item is about the query; that a search engine shows it for it says something of that, too. */
    private double relevance(long item, Phrase query, double position) {
        double shownFor = RANKING * (1 - (position - 1) / RANKING_ENDS);
        return (index.relevance(item, query) + shownFor) / (1 + RANKING);
    }

    /** Half way to the top. */
    private static double reachable(double position) {
        return Math.max(1, position / 2);
    }

    private static boolean falls(DemandTally.Line line) {
        return line.before().impressions() > 0
                && line.now().impressions() < FALLING * line.before().impressions()
                && line.now().position() > line.before().position();
    }

    private boolean isServedByAnother(DemandTally.Line line, long[] ids, List<DemandTally.Line> all, long item) {
        Long home = homes.get(keys.get(line.query()));
        if (home != null && home != item) return true;
        for (DemandTally.Line other : all) {
            boolean another = other.item() != line.item() && ids[other.item()] >= 0;
            boolean higher = other.now().position() >= 1
                    && other.now().position() < line.now().position();
            boolean shown =
                    other.now().impressions() >= OTHER_SHARE * line.now().impressions();
            if (another && higher && shown) return true;
        }
        return false;
    }

    /** What the present target is worth wherever it stands: searches a month, as far as the item is about it. */
    private double worthOfPresent(long item, List<DemandTally.Line> own, double months) {
        Phrase target = primary.get(item);
        String key = target.key();
        double shown = 0;
        for (DemandTally.Line line : own) {
            if (keys.get(line.query()).equals(key)) shown = line.now().impressions() / months;
        }
        double volume = Math.max(shown, volumes.getOrDefault(key, 0L));
        return volume * Math.max(MIN_RELEVANCE, index.relevance(item, target));
    }
}
