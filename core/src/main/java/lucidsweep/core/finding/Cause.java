package lucidsweep.core.finding;

import lucidsweep.core.set.Trait;

/**
 * What findings have in common, so that one action fixes them.
 *
 * @param shared the ending or the text they share; "" where it is only the check
 * @param section the folder they all stand in; "" where they stand in many, or where the trait says it closer
 * @param trait what else its items have in common; null where that is nothing
 * @param links the links to their items, which stand in for demand until it arrives
 * @param stake what fixing it could win, in clicks a month
 * @param weight what causes are ranked by where as much is at stake: links times what the field matters
 * @param says the cause in a sentence
 * @param fix the action that fixes it
 */
public record Cause(
        Check check,
        String shared,
        String section,
        Trait trait,
        int items,
        long links,
        Stake stake,
        double weight,
        String says,
        Fix fix) {

    /** The trait as a filter has it: "folder /boats/kits/"; "" where there is none. */
    public String having() {
        return trait == null ? "" : trait.toString();
    }

    /** The same under a name that a person gave it. */
    public Cause named(String name) {
        return new Cause(check, shared, section, trait, items, links, stake, weight, name, fix);
    }
}
