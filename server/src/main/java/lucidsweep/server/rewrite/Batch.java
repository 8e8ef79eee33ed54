package lucidsweep.server.rewrite;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.Locale;

/**
 * One change that was made as a whole.
 *
 * @param items how many fields it changed
 */
public record Batch(
        long id,
        long propertyId,
        String title,
        State state,
        int items,
        Instant created,
        @Nullable Instant undone) {

    /** Whether what it changed stands. */
    public enum State {
        APPLIED,
        UNDONE;

        /** As it stands in the database and the API: "applied". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
