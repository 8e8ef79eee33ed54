package lucidsweep.server.watch.due;

import jakarta.annotation.Nullable;
import java.time.LocalDate;

/**
 * Something to look at, and from when on.
 *
 * @param key by which it is known again
 * @param kind release, season, young, better, demand, acceptance, review or held-back
 * @param text what it is, in words
 * @param day from when on it is due
 * @param due whether that day is there
 * @param place where it is done, as the end of an address below the property: "watch?view=effects"
 * @param note what was said when it was put off; null where nothing was
 */
public record Due(
        String key,
        String kind,
        String text,
        LocalDate day,
        boolean due,
        String place,
        @Nullable String note) {

    static Due of(String key, String kind, String text, LocalDate day, String place) {
        return new Due(key, kind, text, day, false, place, null);
    }
}
