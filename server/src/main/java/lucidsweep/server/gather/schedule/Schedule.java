package lucidsweep.server.gather.schedule;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;

/**
 * When a property is swept by itself.
 *
 * @param nextDay the first day on which it is
 */
public record Schedule(
        @NotNull(message = "is needed") Every every,
        @NotNull(message = "is needed") LocalDate nextDay) {

    /** How often. */
    public enum Every {
        WEEK,
        MONTH,
        ONCE
    }

    /** The first day after one on which it comes round again; null where it does not. */
    LocalDate after(LocalDate today) {
        LocalDate next = nextDay;
        for (int step = 1; !next.isAfter(today); step++) {
            switch (every) {
                case WEEK -> next = nextDay.plusWeeks(step);
                case MONTH -> next = nextDay.plusMonths(step);
                case ONCE -> {
                    return null;
                }
            }
        }
        return next;
    }
}
