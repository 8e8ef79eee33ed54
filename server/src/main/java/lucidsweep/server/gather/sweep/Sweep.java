package lucidsweep.server.gather.sweep;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Locale;

/**
 * One pass over a property.
 *
 * @param source the address or the file's name
 * @param ofItems whether it saw the items of the property; an import of demand or results does not
 */
public record Sweep(
        long id,
        long propertyId,
        long jobId,
        Kind kind,
        String source,
        boolean ofItems,
        State state,
        Instant started,
        @Nullable Instant ended) {

    /** How it came by what it saw. */
    public enum Kind {
        CRAWL,
        IMPORT;

        /** As it stands in the database and the API: "crawl". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Where it stands; what an import brought can be taken back. */
    public enum State {
        RUNNING,
        DONE,
        STOPPED,
        FAILED,
        TAKEN_BACK;

        /** As it stands in the database and the API: "taken-back". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
