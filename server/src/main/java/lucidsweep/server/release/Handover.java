package lucidsweep.server.release;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * Approved drafts that were handed over.
 *
 * @param format the code of a {@link HandoverFormat}; of one that is pushed, that of the file which is kept of it
 * @param name that somebody gave it; "" for none
 * @param reason why it is delivered; "" where nobody said
 */
public record Handover(
        long id, long propertyId, String format, int items, int texts, Instant created, String name, String reason) {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

    /** What to call it: "Titles of the hire pages", or "Release of 28 Nov 2026" where nobody gave it a name. */
    public String title() {
        return name.isEmpty() ? "Release of " + DAY.format(day()) : name;
    }

    /** When it was delivered. */
    public LocalDate day() {
        return LocalDate.ofInstant(created, ZoneId.systemDefault());
    }
}
