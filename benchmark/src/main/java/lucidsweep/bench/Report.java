package lucidsweep.bench;

import java.util.Arrays;
import java.util.Locale;

/** Prints the table: what was measured, what is wanted, what came out. */
final class Report {

    private static final double WORTH_SAYING = 0.05;
    private static final StolenTime STOLEN = new StolenTime();

    private Report() {}

    static void line(String what, String wanted, String measured, boolean met) {
        double stolen = STOLEN.share();
        System.out.printf(
                Locale.ROOT,
                "%-58s %-18s %-28s %s%s%n",
                what,
                wanted,
                measured,
                met ? "met" : "NOT MET",
                stolen < WORTH_SAYING ? "" : format(" (%.0f%% of the processors' time went to others)", 100 * stolen));
    }

    static double seconds(long nanos) {
        return nanos / 1e9;
    }

    /** The value that 95% of the samples do not exceed, in ms. */
    static double p95(long[] nanos) {
        long[] sorted = nanos.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.ceil(sorted.length * 0.95) - 1] / 1e6;
    }

    /** The median of all samples but the first. */
    static double middleAfterFirst(double[] samples) {
        double[] sorted = Arrays.copyOfRange(samples, 1, samples.length);
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    static String format(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }
}
