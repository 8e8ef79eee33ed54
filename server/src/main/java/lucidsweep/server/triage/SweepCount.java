package lucidsweep.server.triage;

import java.time.Instant;

/**
 * What a sweep left in all.
 *
 * @param clicks a month at stake
 */
public record SweepCount(
        long sweepId, long propertyId, Instant swept, int indexable, int withFindings, double clicks) {}
