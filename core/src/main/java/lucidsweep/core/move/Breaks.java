package lucidsweep.core.move;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Finds where a weekly series breaks: two to four weeks lie together apart from what the weeks before let expect.
 *
 * <p>What to expect is the level of the last thirteen weeks, or the line through two halves of half a year where that rises or
 * falls beyond doubt. A level is a mean with what lies far from the median drawn in to it. The noise is a quarter that of the weeks
 * before (median deviation times 1.4826), the rest that of all differences from week to week, never less than what counting
 * alone brings. The week that stands out most is taken first, then the stretches before and behind it are searched
 * by themselves. A week that comes back is no break: of two weeks both, of more all but one have to lie beyond half the
 * change.
 *
 * <p>The threshold is set by simulation: on series of noise fewer than one in 200 breaks in a month.
 */
public final class Breaks {

    private static final int LONG = 26;
    private static final int SHORT = 13;
    private static final int MIN_BEFORE = 8;
    private static final int MIN_AFTER = 2;
    private static final int MAX_AFTER = 4;
    private static final double LEAST_NOISE = 0.02;
    private static final double THRESHOLD = 4.0;

    /** What a short past adds to the threshold, times one over its weeks. */
    private static final double UNKNOWN_NOISE = 8;

    private static final double CLEAR_SLOPE = 3;
    private static final double TO_DEVIATION = 1.4826;

    /** What lies farther from the median, in noises, is drawn in to here. */
    private static final double FAR = 2;

    /** The variance of such a mean in that of a plain one. */
    private static final double DRAWN_IN = 1.1;

    private final double[] values;
    private final double[] errors;
    private final double smallest;
    private final double usualNoise;
    private final List<Break> found = new ArrayList<>();

    private Breaks(double[] values, double[] errors, double smallest) {
        this.smallest = smallest;
        this.values = values;
        this.errors = errors;
        usualNoise = (stepNoise(1) + stepNoise(3)) / 2;
    }

    /** The noise by differences between weeks that lie so far apart; a break is in few of them. */
    private double stepNoise(int lag) {
        double[] steps = new double[values.length];
        int count = 0;
        for (int week = lag; week < values.length; week++) {
            double step = Math.abs(values[week] - values[week - lag]);
            if (!Double.isNaN(step)) steps[count++] = step;
        }
        return count == 0 ? 0 : TO_DEVIATION * median(Arrays.copyOf(steps, count)) / Math.sqrt(2);
    }

    /**
     * Finds all breaks, the earliest first.
     *
     * @param values by week, on the log scale; NaN where nothing is known
     * @param errors what counting alone makes of each value, as a standard error; 0 where that is nothing
     * @param smallest the smallest change that is told, on the log scale: 0.1 for a tenth
     */
    public static List<Break> of(double[] values, double[] errors, double smallest) {
        if (values.length != errors.length)
            throw new IllegalArgumentException(
                    "expected an error for each of " + values.length + " values, got " + errors.length);
        Breaks breaks = new Breaks(values, errors, smallest);
        breaks.search(0, values.length);
        breaks.found.sort(Comparator.comparingInt(Break::week));
        breaks.dropEchoes();
        return List.copyOf(breaks.found);
    }

    private void search(int from, int to) {
        Break best = null;
        for (int week = from + MIN_BEFORE; week <= to - MIN_AFTER; week++) {
            if (Double.isNaN(values[week])) continue;
            Break here = at(week, from, to);
            if (here != null && (best == null || here.noises() > best.noises())) best = here;
        }
        if (best == null) return;
        found.add(best);
        search(from, best.week());
        search(best.week(), to);
    }

    /** Where a break was found in two places, the levels between them and behind them are the same. */
    private void dropEchoes() {
        for (int i = 0; i < found.size(); ) {
            int from = i == 0 ? 0 : found.get(i - 1).week();
            int to = i + 1 == found.size() ? values.length : found.get(i + 1).week();
            int week = found.get(i).week();
            double[] before = known(Math.max(from, week - SHORT), week);
            double[] after = known(week, Math.min(to, week + SHORT));
            double noise = Math.max(Math.max(usualNoise, LEAST_NOISE), countingError(from, to));
            double change = level(after, noise) - level(before, noise);
            double error = noise * Math.sqrt(DRAWN_IN / before.length + DRAWN_IN / after.length);
            if (Math.abs(change) < Math.max(smallest, CLEAR_SLOPE * error)) found.remove(i);
            else i++;
        }
    }

    /** The strongest break that begins in a week; null for none. */
    private Break at(int week, int from, int to) {
        double[] before = known(Math.max(from, week - LONG), week);
        if (before.length < MIN_BEFORE) return null;
        Break best = null;
        Expected expected = Expected.of(before, usualNoise, countingError(Math.max(from, week - LONG), week));
        for (int weeks = MIN_AFTER; weeks <= MAX_AFTER && week + weeks <= to; weeks++) {
            double[] after = known(week, week + weeks);
            if (after.length < MIN_AFTER) continue;
            double level = expected.in((weeks - 1) / 2.0);
            double noise = Math.max(expected.noise, countingError(week, week + weeks));
            double change = level(after, noise) - level;
            if (Math.abs(change) < smallest || !lieTogether(after, level, change)) continue;
            double variance = noise * noise * DRAWN_IN / after.length + expected.variance(weeks);
            double noises = Math.abs(change) / Math.sqrt(variance);
            if (noises < THRESHOLD + UNKNOWN_NOISE / before.length) continue;
            if (best == null || noises > best.noises()) best = new Break(week, level, level + change, noises);
        }
        return best;
    }

    private static boolean lieTogether(double[] after, double level, double change) {
        int beyond = 0;
        for (double value : after) if ((value - level) * Math.signum(change) > Math.abs(change) / 2) beyond++;
        // The first week has to: it is the one that the break is said to begin in.
        boolean first = (after[0] - level) * Math.signum(change) > Math.abs(change) / 2;
        return first && beyond >= Math.max(MIN_AFTER, after.length - 1);
    }

    /** What the weeks before a break let expect. */
    private static final class Expected {
        private final double level;
        private final double slope;

        /** How far the slope may be from what it is taken for; where it is taken for none, what was seen of one beyond chance. */
        private final double slopeError;

        private final double noise;
        private final int weeks;

        private Expected(double level, double slope, double slopeError, double noise, int weeks) {
            this.level = level;
            this.slope = slope;
            this.slopeError = slopeError;
            this.noise = noise;
            this.weeks = weeks;
        }

        private static Expected of(double[] before, double usual, double counting) {
            int half = before.length / 2;
            double rough = noise(before, median(before), 0, usual, counting);
            double early = level(Arrays.copyOfRange(before, 0, half), rough);
            double late = level(Arrays.copyOfRange(before, before.length - half, before.length), rough);
            double slope = (late - early) / (before.length - half);
            double center = (early + late) / 2;
            double along = noise(before, center, slope, usual, counting);
            double slopeError = along * Math.sqrt(2 * DRAWN_IN / half) / (before.length - half);
            if (Math.abs(slope) > CLEAR_SLOPE * slopeError) {
                double atEnd = center + slope * (before.length + 1) / 2.0;
                return new Expected(atEnd, slope, slopeError, along, before.length);
            }
            double[] last = Arrays.copyOfRange(before, Math.max(0, before.length - SHORT), before.length);
            double unsure = Math.max(0, Math.abs(slope) - slopeError);
            return new Expected(level(last, rough), 0, unsure, rough, last.length);
        }

        private static double noise(double[] before, double center, double slope, double usual, double counting) {
            double middle = (before.length - 1) / 2.0;
            double[] off = new double[before.length];
            for (int i = 0; i < off.length; i++) off[i] = Math.abs(before[i] - center - slope * (i - middle));
            double local = TO_DEVIATION * median(off);
            double both = Math.sqrt((local * local + 3 * usual * usual) / 4);
            return Math.max(Math.max(both, counting), LEAST_NOISE);
        }

        /** What to expect so many weeks later than the first. */
        private double in(double later) {
            return level + slope * later;
        }

        private double variance(int after) {
            double reach = weeks / 2.0 + after / 2.0;
            return noise * noise * DRAWN_IN / weeks + Math.pow(reach * slopeError, 2);
        }
    }

    private double countingError(int from, int to) {
        double sum = 0;
        int count = 0;
        for (int week = from; week < to; week++) {
            if (Double.isNaN(values[week])) continue;
            sum += errors[week] * errors[week];
            count++;
        }
        return count == 0 ? 0 : Math.sqrt(sum / count);
    }

    private double[] known(int from, int to) {
        double[] known = new double[to - from];
        int count = 0;
        for (int week = from; week < to; week++) if (!Double.isNaN(values[week])) known[count++] = values[week];
        return count == known.length ? known : Arrays.copyOf(known, count);
    }

    private static double level(double[] values, double noise) {
        double median = median(values);
        double sum = 0;
        for (double value : values) sum += Math.max(median - FAR * noise, Math.min(median + FAR * noise, value));
        return sum / values.length;
    }

    private static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }
}
