package lucidsweep.core.move;

import java.util.List;
import java.util.Locale;

/**
 * A sudden move of one series or of several together.
 *
 * @param what moved
 * @param week the first week of the new level
 * @param spread how far it reaches
 * @param group the number of the group that it is of; -1 for all and for one series
 * @param series those that moved, the ones with the most clicks at stake first
 * @param of how many series of the group, or of all, could be judged
 * @param before, after the level; of several series the middle one
 * @param ratio how many times as much as before; of a position above 1 is lower down
 * @param noises how many times as large as chance makes such a difference look; of several the middle one
 * @param clicksPerMonth won or lost, estimated
 */
public record Move(
        What what,
        int week,
        Spread spread,
        int group,
        List<Integer> series,
        int of,
        double before,
        double after,
        double ratio,
        double noises,
        double clicksPerMonth) {

    /** So many times as many impressions are a beginning, and so many times fewer an end. */
    private static final double NEW = 20;

    /** What moves. */
    public enum What {
        /** The average position. */
        POSITION,
        /** Clicks, of those that are to be expected at its positions: 1 where they are the same. */
        CLICKS,
        /** Impressions, of those of the others in the group or of all. */
        IMPRESSIONS;

        /** As it stands in the API: "position". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** How far a move reaches. */
    public enum Spread {
        ONE,
        GROUP,
        ALL;

        /** As it stands in the API: "group". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Whether it is for the better: higher up, more clicks, more impressions. */
    public boolean isBetter() {
        return what == What.POSITION ? ratio < 1 : ratio > 1;
    }

    /** What happened, behind the name of what moved: "fell from position 3.2 to 8.4", "began to be shown". */
    public String words() {
        if (what == What.POSITION) {
            return String.format(
                    Locale.ROOT, "%s from position %.1f to %.1f", isBetter() ? "rose" : "fell", before, after);
        }
        if (what == What.IMPRESSIONS && ratio >= NEW) return "began to be shown";
        if (what == What.IMPRESSIONS && ratio <= 1 / NEW) return "is hardly shown any more";
        String times = ratio >= 1
                ? String.format(Locale.ROOT, "has %.1f times as many", ratio)
                : String.format(Locale.ROOT, "has %.0f%% fewer", (1 - ratio) * 100);
        return times + (what == What.CLICKS ? " clicks at the same positions" : " impressions, against the others");
    }
}
