package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Causes that a person merged, or a single one.
 *
 * @param name that they were merged under; "" of a single one
 * @param causes in their order; never empty
 */
public record CauseGroup(String name, List<Cause> causes) {

    private static final Comparator<CauseGroup> MOST_FIRST = Comparator.comparingDouble(
                    (CauseGroup group) -> group.stake().clicks())
            .thenComparingDouble(CauseGroup::weight)
            .reversed();

    /**
     * Groups causes, the group with most clicks at stake first, then the weightiest.
     *
     * @param causes in their order
     * @param nameOf the name under which a cause was merged; "" where it was not
     */
    public static List<CauseGroup> of(List<Cause> causes, Function<Cause, String> nameOf) {
        List<CauseGroup> groups = new ArrayList<>();
        Map<String, List<Cause>> merged = new LinkedHashMap<>();
        for (Cause cause : causes) {
            String name = nameOf.apply(cause);
            if (name.isEmpty()) groups.add(new CauseGroup("", List.of(cause)));
            else merged.computeIfAbsent(name, any -> new ArrayList<>()).add(cause);
        }
        merged.forEach((name, some) -> groups.add(new CauseGroup(name, some)));
        groups.sort(MOST_FIRST);
        return groups;
    }

    /** How many findings it has; an item may have several of them. */
    public int findings() {
        return causes.stream().mapToInt(Cause::items).sum();
    }

    public long links() {
        return causes.stream().mapToLong(Cause::links).sum();
    }

    public Stake stake() {
        return causes.stream().map(Cause::stake).reduce(Stake.NONE, Stake::plus);
    }

    public double weight() {
        return causes.stream().mapToDouble(Cause::weight).sum();
    }
}
