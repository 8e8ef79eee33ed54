package lucidsweep.core.finding;

/**
 * Findings of one check that share something, counted in one section.
 *
 * @param shared what they have in common; "" where nothing special
 * @param example the text of one of them, as it is written
 * @param links the links to their items
 * @param stake what fixing them could win
 */
public record Tally(Check check, String shared, String example, String section, int items, long links, Stake stake) {}
