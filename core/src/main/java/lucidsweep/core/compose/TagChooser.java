package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import lucidsweep.core.standard.Standard;

/**
 * Chooses the tags of one item under a budget: how many, how long each, how long all together, and how many of them may be
 * brand tags.
 *
 * <p>Without the length of all together the most valuable ones are the best set, since what is left is a matroid. Where that
 * length binds, it is priced (Lagrangian relaxation): for each price a letter the best set is found in the same way, and the
 * price is searched for at which the set just fits. That gives an upper bound, too, and so the gap is known; small cases with
 * a gap are solved to the end by branch and bound.
 */
public final class TagChooser {

    private static final int ROUNDS = 18;
    private static final int MOST_STEPS = 20_000;
    private static final double NO_GAP = 1e-9;

    /** With many candidates a gap of less than this share is left: nobody would see the difference. */
    private static final double SMALL_GAP = 0.001;

    private static final int MANY = 40;

    private final Standard.TagLimits limits;
    private final int brands;

    /** @param brands how many may be brand tags, at most */
    public TagChooser(Standard.TagLimits limits, int brands) {
        this.limits = limits;
        this.brands = brands;
    }

    /**
     * A set of tags, the most valuable first.
     *
     * @param value of all together
     * @param bound no set that keeps to the budget is worth more
     */
    public record Chosen(List<TagCandidate> tags, double value, double bound) {

        /** By how much the best set could be better, as a share of the bound; 0 where this is the best. */
        public double gap() {
            return bound <= 0 || bound - value <= NO_GAP * bound ? 0 : (bound - value) / bound;
        }
    }

    /** @param candidates of which no two say the same */
    public Chosen choose(List<TagCandidate> candidates) {
        List<TagCandidate> fitting = new ArrayList<>();
        for (TagCandidate each : candidates) {
            if (each.value() > 0 && each.chars() <= limits.maxChars() && each.chars() <= limits.maxTotalChars())
                fitting.add(each);
        }
        fitting.sort(
                Comparator.comparingDouble((TagCandidate each) -> -each.value()).thenComparing(TagCandidate::tag));
        List<TagCandidate> free = best(fitting, 0);
        if (cost(free) <= budget()) return new Chosen(free, value(free), value(free));
        return priced(fitting, value(free));
    }

    /** A tag takes its letters and a comma; there is one comma less than tags. */
    private static int cost(TagCandidate tag) {
        return tag.chars() + 1;
    }

    private int budget() {
        return limits.maxTotalChars() + 1;
    }

    private static int cost(List<TagCandidate> tags) {
        int cost = 0;
        for (TagCandidate tag : tags) cost += cost(tag);
        return cost;
    }

    private static double value(List<TagCandidate> tags) {
        double value = 0;
        for (TagCandidate tag : tags) value += tag.value();
        return value;
    }

    /** The best set at a price a letter, whatever its length. */
    private List<TagCandidate> best(List<TagCandidate> fitting, double price) {
        List<TagCandidate> order = fitting;
        if (price > 0) {
            order = new ArrayList<>(fitting);
            order.sort(Comparator.comparingDouble((TagCandidate each) -> price * cost(each) - each.value())
                    .thenComparing(TagCandidate::tag));
        }
        List<TagCandidate> best = new ArrayList<>();
        int branded = 0;
        for (TagCandidate each : order) {
            if (best.size() == limits.max()) break;
            if (each.value() - price * cost(each) <= 0) break;
            if (each.brand() && branded == brands) continue;
            if (each.brand()) branded++;
            best.add(each);
        }
        return best;
    }

    private Chosen priced(List<TagCandidate> fitting, double bound) {
        double low = 0;
        double high = 0;
        for (TagCandidate each : fitting) high = Math.max(high, each.value() / cost(each));
        List<TagCandidate> found = List.of();
        for (int round = 0; round < ROUNDS; round++) {
            double price = (low + high) / 2;
            List<TagCandidate> set = best(fitting, price);
            double dual = price * budget();
            for (TagCandidate each : set) dual += each.value() - price * cost(each);
            bound = Math.min(bound, dual);
            if (cost(set) <= budget()) {
                high = price;
                List<TagCandidate> filled = filled(set, fitting);
                if (value(filled) > value(found)) found = filled;
            } else {
                low = price;
            }
        }
        Chosen chosen = new Chosen(found, value(found), bound);
        boolean enough = chosen.gap() == 0 || fitting.size() > MANY && chosen.gap() < SMALL_GAP;
        return enough ? chosen : searched(fitting, chosen);
    }

    /** What room is left is filled with the most valuable that still fit. */
    private List<TagCandidate> filled(List<TagCandidate> set, List<TagCandidate> fitting) {
        List<TagCandidate> filled = new ArrayList<>(set);
        int cost = cost(set);
        int branded = (int) set.stream().filter(TagCandidate::brand).count();
        for (TagCandidate each : fitting) {
            if (filled.size() == limits.max()) break;
            if (cost + cost(each) > budget() || each.brand() && branded == brands || set.contains(each)) continue;
            filled.add(each);
            cost += cost(each);
            if (each.brand()) branded++;
        }
        filled.sort(
                Comparator.comparingDouble((TagCandidate each) -> -each.value()).thenComparing(TagCandidate::tag));
        return filled;
    }

    private Chosen searched(List<TagCandidate> fitting, Chosen start) {
        Search search = new Search(fitting, start);
        search.from(0, 0, 0, 0);
        boolean ended = search.steps <= MOST_STEPS;
        double bound = ended ? search.bestValue : start.bound;
        return new Chosen(search.best, search.bestValue, bound);
    }

    /** Branch and bound over the candidates by value a letter, with the fractional knapsack as the bound. */
    private final class Search {
        private final List<TagCandidate> order;
        private final int[] byValue;
        private final List<TagCandidate> chosen = new ArrayList<>();
        private List<TagCandidate> best;
        private double bestValue;
        private int steps;

        private Search(List<TagCandidate> fitting, Chosen start) {
            order = new ArrayList<>(fitting);
            order.sort(Comparator.comparingDouble((TagCandidate each) -> -each.value() / cost(each))
                    .thenComparing(TagCandidate::tag));
            byValue = IntStream.range(0, order.size())
                    .boxed()
                    .sorted(Comparator.comparingDouble(i -> -order.get(i).value()))
                    .mapToInt(Integer::intValue)
                    .toArray();
            best = start.tags();
            bestValue = start.value();
        }

        private void from(int at, int cost, int branded, double value) {
            if (++steps > MOST_STEPS) return;
            if (value > bestValue) {
                bestValue = value;
                best = new ArrayList<>(chosen);
                best.sort(Comparator.comparingDouble((TagCandidate each) -> -each.value())
                        .thenComparing(TagCandidate::tag));
            }
            if (at == order.size() || chosen.size() == limits.max()) return;
            if (value + atMost(at, budget() - cost, limits.max() - chosen.size()) <= bestValue) return;
            TagCandidate next = order.get(at);
            boolean fits = cost + cost(next) <= budget() && !(next.brand() && branded == brands);
            if (fits) {
                chosen.add(next);
                from(at + 1, cost + cost(next), branded + (next.brand() ? 1 : 0), value + next.value());
                chosen.remove(chosen.size() - 1);
            }
            from(at + 1, cost, branded, value);
        }

        /** What the rest can add: no more than if a tag could be cut where the room ends, nor than the best ones for the places. */
        private double atMost(int at, int room, int places) {
            double cut = 0;
            for (int i = at; i < order.size() && room > 0; i++) {
                TagCandidate each = order.get(i);
                int cost = cost(each);
                cut += cost <= room ? each.value() : each.value() * room / cost;
                room -= cost;
            }
            double best = 0;
            for (int i = 0; i < byValue.length && places > 0; i++) {
                if (byValue[i] < at) continue;
                best += order.get(byValue[i]).value();
                places--;
            }
            return Math.min(cut, best);
        }
    }
}
