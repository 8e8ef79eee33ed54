package lucidsweep.server.triage;

import java.time.Instant;

/**
 * What a sweep left in all, or in a set.
 *
 * @param setId 0 for the whole property
 * @param clicks a month at stake
 * @param allChecks whether each check that was on has a count, also where it found nothing
 */
public record SweepCount(
        long sweepId,
        long setId,
        long propertyId,
        Instant swept,
        int indexable,
        int withFindings,
        double clicks,
        boolean allChecks) {}
