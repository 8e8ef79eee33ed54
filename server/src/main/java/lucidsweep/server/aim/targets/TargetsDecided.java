package lucidsweep.server.aim.targets;

import jakarta.annotation.Nullable;
import java.util.Set;

/**
 * Items of a property aim at something else after somebody decided so, who waits for an answer.
 *
 * @param itemIds null where it is not known which
 */
public record TargetsDecided(long propertyId, @Nullable Set<Long> itemIds) {}
