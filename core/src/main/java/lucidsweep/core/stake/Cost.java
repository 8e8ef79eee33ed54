package lucidsweep.core.stake;

import java.util.Locale;

/**
 * What a kind of fault does to the clicks of an item, as a factor on a log scale: -0.2 is 18% fewer clicks.
 *
 * @param effect how the log of the clicks changes with the fault
 * @param error its standard error
 * @param items how many items with demand have the fault
 * @param source whether the figures of the property say so, or only what is assumed without them
 */
public record Cost(double effect, double error, int items, Source source) {

    /** Where a cost comes from. */
    public enum Source {
        /** No item with demand has the fault: it is what is assumed of any property. */
        ASSUMED,
        /** The property's own figures have narrowed what is assumed; more than half of its variance is left. */
        BOTH,
        /** The property's own figures say more: less than half of the variance of what is assumed is left. */
        OWN;

        /**
         * Where a cost comes from.
         *
         * @param items how many items with demand have the fault
         * @param left the standard error as a share of the deviation of what is assumed
         */
        static Source of(int items, double left) {
            if (items == 0) return ASSUMED;
            return left * left < 0.5 ? OWN : BOTH;
        }

        /** As it stands in the API: "own". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final double WIDTH = 1.96;

    /** The lower end of the 95% interval of the effect. */
    public double low() {
        return effect - WIDTH * error;
    }

    /** The upper end of the 95% interval of the effect. */
    public double high() {
        return effect + WIDTH * error;
    }

    /** The share of its clicks that an item loses at an effect, 1 at most; below 0 where it wins some. */
    public static double lostShare(double effect) {
        return -Math.expm1(effect);
    }
}
