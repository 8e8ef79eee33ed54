package lucidsweep.server.job;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.Duration;
import java.time.Instant;

/**
 * A piece of long work.
 *
 * @param state running, done, stopped or failed
 * @param done how much is done
 * @param total of how much; 0 where that is not known
 * @param note what came out, or what went wrong
 */
public record Job(
        long id,
        long propertyId,
        String kind,
        String title,
        String state,
        long done,
        long total,
        String note,
        Instant started,
        Instant ended) {

    /** How much is done a second, since the start. */
    @JsonProperty
    public double perSecond() {
        Instant until = ended == null ? Instant.now() : ended;
        double seconds = Math.max(0.001, Duration.between(started, until).toMillis() / 1000.0);
        return done / seconds;
    }

    /** How long it will take at this rate; null where that cannot be said. */
    @JsonProperty
    public Long secondsLeft() {
        if (!state.equals("running") || total <= done || done == 0) return null;
        return Math.round((total - done) / perSecond());
    }
}
