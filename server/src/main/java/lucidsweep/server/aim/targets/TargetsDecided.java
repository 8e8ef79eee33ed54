package lucidsweep.server.aim.targets;

import java.util.Set;

/** Some items of a property aim at something else after somebody decided so, who waits for an answer. */
public record TargetsDecided(long propertyId, Set<Long> itemIds) {}
