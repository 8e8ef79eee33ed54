package lucidsweep.server.aim.targets;

/**
 * Items of a property may aim at something else now.
 *
 * @param byHand whether somebody decided so, who waits for an answer
 */
public record TargetsChanged(long propertyId, boolean byHand) {}
