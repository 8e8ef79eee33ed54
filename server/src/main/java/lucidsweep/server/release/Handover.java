package lucidsweep.server.release;

import java.time.Instant;

/**
 * Approved drafts that were handed over.
 *
 * @param format the code of a {@link HandoverFormat}; of one that is pushed, that of the file which is kept of it
 * @param name that somebody gave it; "" for none
 * @param reason why it is delivered; "" where nobody said
 */
public record Handover(
        long id, long propertyId, String format, int items, int texts, Instant created, String name, String reason) {}
