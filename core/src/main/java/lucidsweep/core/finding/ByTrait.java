package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import lucidsweep.core.set.Trait;

/**
 * Finds what items with the same finding have in common: one trait after the other, each time that which explains most
 * clicks at stake of those left, or most items and links where no clicks are.
 */
final class ByTrait {

    /** The share of the items left that a trait explains at the least. */
    private static final double EXPLAINS = 0.5;

    private static final Comparator<Map.Entry<Trait, Sum>> MOST = Comparator.comparing(
                    (Map.Entry<Trait, Sum> entry) -> entry.getValue(),
                    Comparator.comparingDouble(Sum::clicks).thenComparingLong(Sum::weight))
            .thenComparing(Map.Entry.comparingByKey(Comparator.reverseOrder()));

    private final Map<Trait, Integer> indexable;
    private List<Spread> left;
    private final List<Group> groups = new ArrayList<>();

    /** Items with a trait. */
    record Group(Trait trait, List<Spread> spreads) {}

    private record Sum(int items, double clicks, long weight) {

        private static final Sum NONE = new Sum(0, 0, 0);

        private Sum plus(Spread spread) {
            return new Sum(
                    items + spread.items(), clicks + spread.stake().clicks(), weight + spread.items() + spread.links());
        }
    }

    /**
     * Looks at the findings of a check.
     *
     * @param named sections whose items have a cause already
     */
    ByTrait(Spreads spreads, Check check, Collection<String> named) {
        indexable = spreads.indexable();
        List<Spread> found = spreads.of(check);
        left = found.stream()
                .filter(spread -> !named.contains(spread.section()))
                .toList();
        Map<Trait, Sum> all = sums(found);
        for (Optional<Trait> next = next(all); next.isPresent(); next = next(all)) take(next.get());
    }

    private static Map<Trait, Sum> sums(List<Spread> spreads) {
        Map<Trait, Sum> sums = new HashMap<>();
        for (Spread spread : spreads) {
            for (Trait trait : spread.traits())
                sums.merge(trait, Sum.NONE.plus(spread), (before, now) -> before.plus(spread));
        }
        return sums;
    }

    private Optional<Trait> next(Map<Trait, Sum> all) {
        int count = left.stream().mapToInt(Spread::items).sum();
        return sums(left).entrySet().stream()
                // One that explains little would put many small causes in the place of one.
                .filter(entry -> entry.getValue().items >= EXPLAINS * count)
                // Else the trait would name items that have a cause already.
                .filter(entry -> entry.getValue().items == all.get(entry.getKey()).items)
                .filter(entry -> Causes.mayBeOf(
                        entry.getValue().items, indexable.getOrDefault(entry.getKey(), Integer.MAX_VALUE)))
                .max(MOST)
                .map(Map.Entry::getKey);
    }

    private void take(Trait trait) {
        Predicate<Spread> has = spread -> spread.traits().contains(trait);
        groups.add(new Group(trait, left.stream().filter(has).toList()));
        left = left.stream().filter(has.negate()).toList();
    }

    /** The groups, in the order in which they were found; no item is in two. */
    List<Group> groups() {
        return groups;
    }

    /** What is in none of them. */
    List<Spread> left() {
        return left;
    }
}
