package lucidsweep.core.finding;

import java.util.List;
import java.util.Map;
import lucidsweep.core.set.Trait;

/**
 * How the findings of checks without anything shared lie over the items' traits.
 *
 * @param byCheck by the check's id
 * @param indexable by trait, how many indexable items have it
 */
public record Spreads(Map<String, List<Spread>> byCheck, Map<Trait, Integer> indexable) {

    /** Where nothing is known but sections. */
    public static final Spreads NONE = new Spreads(Map.of(), Map.of());

    List<Spread> of(Check check) {
        return byCheck.getOrDefault(check.id(), List.of());
    }
}
