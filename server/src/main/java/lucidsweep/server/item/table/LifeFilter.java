package lucidsweep.server.item.table;

import java.util.Locale;
import lucidsweep.server.web.Refusal;

/**
 * Findings by when they came.
 *
 * @param what after the moment for the first time, after it once more, or before it
 * @param moment of a sweep, in seconds since 1970
 */
public record LifeFilter(What what, int moment) {

    /** Which findings are meant. */
    public enum What {
        NEW,
        BACK,
        OLD
    }

    /** Whether a moment of {@link LifeParts} is meant. */
    boolean has(int when) {
        return switch (what) {
            case NEW -> when > moment;
            case BACK -> -when > moment;
            case OLD -> Math.abs(when) <= moment;
        };
    }

    /** Reads "new 1795000000"; null where nothing is written. */
    static LifeFilter of(String written) {
        if (written == null || written.isEmpty()) return null;
        String[] parts = written.split(" ");
        try {
            return new LifeFilter(
                    What.valueOf(parts[0].toUpperCase(Locale.ROOT)),
                    parts.length == 2 ? Integer.parseInt(parts[1]) : 0);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(
                    "life: expected new, back or old and the seconds of a sweep, got \"" + written + "\"");
        }
    }
}
