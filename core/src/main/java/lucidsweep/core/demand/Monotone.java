package lucidsweep.core.demand;

import java.util.Arrays;

/**
 * The falling steps that are nearest to weighted values, by pooling adjacent violators (Ayer, Brunk, Ewing, Reid,
 * Silverman: "An empirical distribution function for sampling with incomplete information", 1955).
 *
 * <pre>{@code Monotone.falling(new double[] {3, 1, 2}, new double[] {1, 1, 1})   // 3, 1.5, 1.5 }</pre>
 */
final class Monotone {

    private Monotone() {}

    /**
     * Fits them.
     *
     * @param values in order
     * @param weights of the same length, none below 0; a value of weight 0 takes what its neighbours say
     */
    static double[] falling(double[] values, double[] weights) {
        int[] ends = new int[values.length];
        double[] means = new double[values.length];
        double[] sums = new double[values.length];
        int blocks = 0;
        for (int i = 0; i < values.length; i++) {
            ends[blocks] = i + 1;
            means[blocks] = values[i];
            sums[blocks] = weights[i];
            blocks++;
            while (blocks > 1 && (means[blocks - 1] > means[blocks - 2] || sums[blocks - 1] == 0)) {
                double sum = sums[blocks - 2] + sums[blocks - 1];
                if (sum > 0) {
                    means[blocks - 2] =
                            (means[blocks - 2] * sums[blocks - 2] + means[blocks - 1] * sums[blocks - 1]) / sum;
                }
                sums[blocks - 2] = sum;
                ends[blocks - 2] = ends[blocks - 1];
                blocks--;
            }
        }
        double[] fitted = new double[values.length];
        int start = 0;
        for (int block = 0; block < blocks; block++) {
            Arrays.fill(fitted, start, ends[block], means[block]);
            start = ends[block];
        }
        return fitted;
    }
}
