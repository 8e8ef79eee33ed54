package lucidsweep.server.job;

import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;

/**
 * A piece of long work.
 *
 * @param propertyId whose work it is; null where it belongs to none
 * @param done how much is done
 * @param total of how much; 0 where that is not known
 * @param note what came out, or what went wrong
 */
public record Job(
        long id,
        @Nullable Long propertyId,
        String kind,
        String title,
        JobState state,
        long done,
        long total,
        String note,
        Instant started,
        @Nullable Instant ended) {

    /** How much is done a second, since the start. */
    @JsonProperty
    public double perSecond() {
        Instant until = ended == null ? Instant.now() : ended;
        double seconds = Math.max(0.001, Duration.between(started, until).toMillis() / 1000.0);
        return done / seconds;
    }

    /** How long it will take at this rate; null where that cannot be said. */
    @JsonProperty
    @Nullable
    public Long secondsLeft() {
        if (state != JobState.RUNNING || total <= done || done == 0) return null;
        return Math.round((total - done) / perSecond());
    }
}
