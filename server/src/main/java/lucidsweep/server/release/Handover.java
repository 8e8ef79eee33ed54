package lucidsweep.server.release;

import java.time.Instant;

/**
 * Approved drafts that were handed over.
 *
 * @param format the code of a {@link HandoverFormat}
 */
public record Handover(long id, long propertyId, String format, int items, int texts, Instant created) {}
