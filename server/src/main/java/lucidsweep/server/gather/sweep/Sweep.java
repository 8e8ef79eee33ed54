package lucidsweep.server.gather.sweep;

import java.time.Instant;

/**
 * One pass over a property.
 *
 * @param kind crawl or import
 * @param source the address or the file's name
 * @param ofItems whether it saw the items of the property; an import of demand or results does not
 * @param state running, done, stopped or failed
 */
public record Sweep(
        long id,
        long propertyId,
        long jobId,
        String kind,
        String source,
        boolean ofItems,
        String state,
        Instant started,
        Instant ended) {}
