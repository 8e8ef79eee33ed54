package lucidsweep.server.rewrite;

import java.time.Instant;

/**
 * One change that was made as a whole.
 *
 * @param state applied or undone
 * @param items how many fields it changed
 */
public record Batch(long id, long propertyId, String title, String state, int items, Instant created, Instant undone) {}
