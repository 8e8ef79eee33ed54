package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.set.Trait;

/**
 * Items of one section that have the same finding and the same traits.
 *
 * @param links the links to them
 * @param stake what fixing the finding could win
 */
public record Spread(String section, List<Trait> traits, int items, long links, Stake stake) {}
