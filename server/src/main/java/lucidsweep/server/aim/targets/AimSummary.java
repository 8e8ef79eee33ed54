package lucidsweep.server.aim.targets;

import java.util.List;

/**
 * What was worked out of a property besides its targets.
 *
 * @param from, to the window of demand, days as "2026-11-25"
 * @param months how much of it is covered
 * @param curve what the click curve was made of, in words
 * @param points of the curve, from position 1 on
 * @param shared queries that several items are shown for, the most shown first
 * @param pages that keywords without a home could get, the most searched first
 */
public record AimSummary(
        String from,
        String to,
        double months,
        long rows,
        long elsewhere,
        long withoutPosition,
        long tooManyClicks,
        int missingDays,
        String curve,
        List<CurvePoint> points,
        List<SharedQuery> shared,
        List<PageToAdd> pages) {

    /** A position of the curve; rates are clicks an impression. */
    public record CurvePoint(
            int position, double rate, double low, double high, double impressions, double clicks, boolean thin) {}

    /** A page that could be added. */
    public record PageToAdd(
            String topic,
            String slug,
            String title,
            String description,
            String section,
            long volume,
            List<HomelessKeyword> keywords) {}

    /** A keyword without a home; its volume is null where not known. */
    public record HomelessKeyword(String phrase, Long volume) {}

    /**
     * A query that several items are shown for, the one to keep first.
     *
     * @param shown impressions a month
     */
    public record SharedQuery(String query, double shown, List<SharingItem> items) {}

    /**
     * One of the items.
     *
     * @param share of the impressions, 0 to 1
     * @param clicks a month
     * @param instead what else it could aim at; "" where nothing is known
     */
    public record SharingItem(
            long itemId, String address, double share, double position, double clicks, String instead) {}
}
