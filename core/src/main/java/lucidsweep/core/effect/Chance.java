package lucidsweep.core.effect;

/** Student's t distribution, as far as intervals and tests need it. */
final class Chance {

    private Chance() {}

    /** At 1, 2, 3 and 4 degrees of freedom, where no short formula is near enough. */
    private static final double[] FEW = {12.706, 4.303, 3.182, 2.776};

    /**
     * How many standard errors wide half of a 95% interval is (from 4 degrees of freedom on the first terms of the
     * Cornish-Fisher expansion, Hill: "Algorithm 396: Student's t-quantiles", 1970; within 0.3%).
     *
     * @param freedom 1 or more; between whole ones it falls evenly in 1 / freedom
     */
    static double halfOf95(double freedom) {
        if (freedom < FEW.length) {
            int below = Math.max(1, (int) freedom);
            double share = (1.0 / below - 1 / Math.max(1, freedom)) / (1.0 / below - 1.0 / (below + 1));
            return FEW[below - 1] + share * (FEW[below] - FEW[below - 1]);
        }
        double z = 1.959964;
        double n = freedom;
        double z3 = Math.pow(z, 3);
        double z5 = Math.pow(z, 5);
        double z7 = Math.pow(z, 7);
        return z
                + (z3 + z) / (4 * n)
                + (5 * z5 + 16 * z3 + 3 * z) / (96 * n * n)
                + (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * n * n * n);
    }

    /** How likely a difference of at least so many standard errors is by chance, either way (Wallace: 1959, to the normal). */
    static double ofDifference(double errors, double freedom) {
        double n = Math.max(1, freedom);
        double z = (8 * n + 1) / (8 * n + 3) * Math.sqrt(n * Math.log1p(errors * errors / n));
        return 2 * upperTail(z);
    }

    /** The share of the normal distribution above z of 0 or more (Abramowitz and Stegun, 26.2.17; within 7.5e-8). */
    private static double upperTail(double z) {
        double t = 1 / (1 + 0.2316419 * z);
        double series =
                t * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return Math.exp(-z * z / 2) / Math.sqrt(2 * Math.PI) * series;
    }
}
