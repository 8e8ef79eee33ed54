package lucidsweep.core.effect;

import java.util.List;
import java.util.Locale;

/**
 * What a change brought.
 *
 * @param clicks, rate, position against what was to be expected; of a position, less is higher up
 * @param items how many changed items it is worked out from
 * @param controls how many that were left alone they were held against
 * @param notTold changed items that nothing could be said of
 * @param perMonth clicks a month more than expected, at the least and at the most by the interval
 * @param largest the share of the clicks that one item has
 * @param chance how likely a difference like this is by chance
 * @param weeks by week from the change on, for a picture; negative ones lie before it
 */
public record Effect(
        Verdict verdict,
        Difference clicks,
        Difference rate,
        Difference position,
        int items,
        int controls,
        NotTold notTold,
        PerMonth perMonth,
        double largest,
        double chance,
        List<EffectWeek> weeks) {

    /** An item with more of the clicks says little of the others. */
    private static final double MOST = 0.5;

    /** What may be said. */
    public enum Verdict {
        MORE,
        FEWER,
        /** It cannot be told apart from nothing. */
        UNTOLD,
        TOO_EARLY,
        NO_CONTROLS,
        NOT_LIVE;

        /** As it stands in the API: "too-early". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * Changed items that nothing can be said of.
     *
     * @param notYet with too few weeks since they were live
     * @param young with too few weeks before
     * @param alone to which none that was left alone is comparable
     */
    public record NotTold(int notYet, int young, int alone) {}

    /** A difference as a share: 0.09 for 9% more; the interval holds the truth 19 times in 20. */
    public record Difference(double share, double low, double high) {

        static final Difference NONE = new Difference(0, 0, 0);

        static Difference ofLog(double log, double half) {
            return new Difference(Math.expm1(log), Math.expm1(log - half), Math.expm1(log + half));
        }
    }

    public record PerMonth(double clicks, double low, double high) {

        static final PerMonth NONE = new PerMonth(0, 0, 0);
    }

    /**
     * The clicks of a week.
     *
     * @param week from the change on; 0 is the week in which it went live
     * @param actual those of the changed items
     * @param expected what the ones that were left alone let expect
     * @param low, high where chance alone would leave it 19 times in 20
     * @param counted whether the week counts as before or after; those between do not
     */
    public record EffectWeek(int week, double actual, double expected, double low, double high, boolean counted) {}

    static Effect without(Verdict verdict, NotTold notTold) {
        return new Effect(
                verdict,
                Difference.NONE,
                Difference.NONE,
                Difference.NONE,
                0,
                0,
                notTold,
                PerMonth.NONE,
                0,
                1,
                List.of());
    }

    /**
     * In words, to stand in a sentence: "+9% clicks (+3 to +16%), 78 items against 143; 410 clicks a month".
     *
     * @param oneOfSeveral whether a difference like this is to be expected of one of so many at once
     */
    public String words(boolean oneOfSeveral) {
        if (oneOfSeveral) return "may be chance, among so many at once: " + figures();
        return switch (verdict) {
            case NOT_LIVE -> "no sweep has seen these texts live yet";
            case NO_CONTROLS ->
                "no comparable item was left alone, so nothing can be said; next time, hold a tenth back";
            case TOO_EARLY ->
                String.format(
                        Locale.ROOT,
                        "too early: %d weeks after result pages show the new texts are needed, and %.0f clicks to expect in them",
                        Windows.FEWEST_AFTER,
                        EffectStudy.LEAST_CLICKS);
            case UNTOLD -> "it cannot be told apart from nothing: " + figures();
            case MORE, FEWER ->
                figures() + String.format(Locale.ROOT, "; %+,d clicks a month", Math.round(perMonth.clicks()));
        };
    }

    private String figures() {
        return String.format(
                        Locale.ROOT,
                        "%+.0f%% clicks (%+.0f to %+.0f%%), %,d %s against %,d",
                        clicks.share() * 100,
                        clicks.low() * 100,
                        clicks.high() * 100,
                        items,
                        items == 1 ? "item" : "items",
                        controls)
                + (largest > MOST ? String.format(Locale.ROOT, ", %.0f%% of the clicks on one", largest * 100) : "");
    }
}
