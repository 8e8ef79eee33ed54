package lucidsweep.server.gather.schedule;

import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;

/**
 * When a property, or some of its pages, are swept by themselves.
 *
 * @param nextDay the first day on which it is
 */
public record Schedule(
        @NotNull(message = "is needed") Every every,
        @NotNull(message = "is needed") LocalDate nextDay) {

    /** How often. */
    public enum Every {
        DAY,
        WEEK,
        MONTH,
        ONCE
    }

    /** The first day after one on which it comes round again; null where it does not. */
    public LocalDate after(LocalDate today) {
        LocalDate next = nextDay;
        for (int step = 1; !next.isAfter(today); step++) {
            switch (every) {
                case DAY -> next = nextDay.plusDays(step);
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
