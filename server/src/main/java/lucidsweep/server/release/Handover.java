package lucidsweep.server.release;

import java.time.Instant;

/**
 * Approved drafts that were handed over.
 *
 * @param format csv, json, html or listings
 */
public record Handover(long id, long propertyId, String format, int items, int texts, Instant created) {}
