package lucidsweep.server.aim.demand;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.demand.DemandTally;

/**
 * What is reported in a window of days, against the one before and the one a year before (52 weeks).
 *
 * @param firstDay, lastDay of all that is reported, as "2026-11-25"; "" where nothing is
 * @param first, last day of the window
 * @param yearBefore null where nothing is reported of it; so are the year-before figures of all rows
 * @param missing days of the window that no row covers
 * @param missingBefore days of the one before that no row covers
 * @param weeks all that are reported of, not only those of the window; the latest last
 * @param countries the most shown in first
 */
public record DemandWindow(
        String firstDay,
        String lastDay,
        String first,
        String last,
        Reported now,
        Reported before,
        @Nullable Reported yearBefore,
        int missing,
        int missingBefore,
        List<Week> weeks,
        List<InCountry> countries) {

    /**
     * What is reported of something in a time.
     *
     * @param rate clicks an impression
     * @param position the mean; 0 where not known
     */
    public record Reported(long clicks, long impressions, double rate, double position) {

        static Reported of(DemandTally.Sum sum) {
            return new Reported(sum.clicks(), sum.impressions(), sum.rate(), sum.position());
        }
    }

    /** A week by its first day. */
    public record Week(String first, long clicks, long impressions, double position) {}

    /** What is reported in a country in the window. */
    public record InCountry(String country, long clicks, long impressions, double rate) {}

    /**
     * An item or a query.
     *
     * @param text its address or the query
     * @param itemId null for a query, and for an address that is no item
     */
    public record DemandRow(
            long id,
            String text,
            @Nullable Long itemId,
            Reported now,
            Reported before,
            @Nullable Reported yearBefore) {}
}
