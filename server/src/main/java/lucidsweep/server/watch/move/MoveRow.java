package lucidsweep.server.watch.move;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.move.Move.Spread;
import lucidsweep.core.move.Move.What;

/**
 * A sudden move.
 *
 * @param key by which it is known again
 * @param side items or queries
 * @param spread one, group or all
 * @param name of the item or query, of the section or topic, or "" for all of the property
 * @param day the first day of the week in which it began, as "2026-11-23"
 * @param says what happened, in words behind its name: "fell from position 3.2 to 8.4"
 * @param level how it moved
 * @param moved those that moved, the ones with the most clicks at stake first; at most twenty
 * @param near what happened near it
 * @param aside why somebody set it aside; null where nobody has
 */
public record MoveRow(
        String key,
        String side,
        What what,
        Spread spread,
        String name,
        String day,
        boolean better,
        String says,
        Level level,
        List<MovedSeries> moved,
        List<NearEvent> near,
        @Nullable String aside) {

    /**
     * How it moved.
     *
     * @param before, after a position, or a share of what is to be expected
     * @param ratio how many times as much as before
     * @param noises how many times as large as chance makes such differences
     * @param clicksPerMonth won or lost, estimated
     * @param series how many moved
     * @param of how many could be judged
     */
    public record Level(
            double before, double after, double ratio, double noises, double clicksPerMonth, int series, int of) {}

    /** One that moved; the item is null where it is a query or an address that is no item. */
    public record MovedSeries(String name, @Nullable Long itemId) {}

    /**
     * Something that happened near it.
     *
     * @param kind release, page, index, market or rival
     * @param day as "2026-11-25"
     * @param text what it was, in words
     * @param id of the release or of the item; null where there is none
     */
    public record NearEvent(
            String kind, String day, String text, @Nullable Long id) {}
}
