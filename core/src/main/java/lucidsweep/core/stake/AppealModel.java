package lucidsweep.core.stake;

import java.util.Arrays;
import lucidsweep.core.finding.Stake;

/**
 * How often results are clicked, beyond what their positions explain. The clicks of an item are held to be
 * C ~ E · exp(α + Σ β), with E the clicks that its positions let expect and a β for each of its faults.
 *
 * <p>Fitted by penalised quasi-likelihood with the variance μ + τμ² of a negative binomial, since items differ in appeal for
 * reasons that nobody sees: each β is drawn towards what is assumed of it (McCullagh and Nelder, Generalized Linear Models,
 * chapter 9; ridge by a normal prior). τ is found so that the squared residuals are as large as they should be. Standard
 * errors come from the curvature at the end.
 */
public final class AppealModel {

    private final double base;
    private final Cost[] costs;
    private final int items;
    private final double spread;

    /**
     * A model that was fitted before.
     *
     * @param costs by the numbers of the faults
     */
    public AppealModel(double base, Cost[] costs, int items, double spread) {
        this.base = base;
        this.costs = costs;
        this.items = items;
        this.spread = spread;
    }

    /**
     * What is assumed of a fault before the figures of a property's items are looked at, on the log scale.
     *
     * @param mean never above 0, unless own releases said so
     * @param deviation how sure that is
     */
    public record Prior(double mean, double deviation) {}

    /** The clicks of an item without faults, as a multiple of what its positions let expect. */
    public double base() {
        return base;
    }

    /** What a fault costs, by its number. */
    public Cost cost(int fault) {
        return costs[fault];
    }

    /** How many items it was fitted to. */
    public int items() {
        return items;
    }

    /** τ: how much items differ in appeal for reasons that nobody sees, as a squared share. */
    public double spread() {
        return spread;
    }

    /**
     * What an item would win if its faults were fixed, shared out among them in proportion to their effects. The interval of
     * each is what it would be at the ends of its own interval, the others being as they are.
     *
     * @param expected the clicks that its positions let expect
     * @param faults the numbers of all its faults, all different
     * @return for each of them, in the same order
     */
    public Stake[] stakes(double expected, int[] faults) {
        double[] lost = Arrays.stream(faults)
                .mapToDouble(fault -> loss(costs[fault].effect()))
                .toArray();
        double all = Arrays.stream(lost).sum();
        Stake[] stakes = new Stake[faults.length];
        for (int i = 0; i < faults.length; i++) {
            double others = all - lost[i];
            Cost cost = costs[faults[i]];
            stakes[i] = new Stake(
                    gain(expected, lost[i], others),
                    gain(expected, loss(cost.high()), others),
                    gain(expected, loss(cost.low()), others));
        }
        return stakes;
    }

    /** The part of what an item would win that is owed to one fault. */
    private double gain(double expected, double lost, double lostToOthers) {
        double all = lost + lostToOthers;
        return lost == 0 ? 0 : expected * base * -Math.expm1(-all) * lost / all;
    }

    private static double loss(double effect) {
        return Math.max(0, -effect);
    }

    /** Takes the items of a property, then fits. */
    public static final class Fitter {

        private static final int ROUNDS = 40;
        private static final double MAX_STEP = 1;
        private static final double CLOSE = 1e-8;
        private static final double MAX_SPREAD = 20;
        private static final double MAX_CLICKS = 1e9;
        private static final double BASE_DEVIATION = 1;

        private final Prior[] priors;
        private double[] expected = new double[64];
        private double[] clicks = new double[64];
        private int[][] faults = new int[64][];
        private int size;

        /** Prepares to fit the faults 0 to n-1. */
        public Fitter(Prior[] priors) {
            this.priors = priors;
        }

        /**
         * Adds an item.
         *
         * @param clicksExpected by its positions; an item of which nothing is expected says nothing and is left out
         * @param clicked its clicks; of more than a billion, both are taken in proportion
         * @param itsFaults their numbers, all different
         */
        public void add(double clicksExpected, double clicked, int[] itsFaults) {
            if (!(clicksExpected > 0) || !(clicked >= 0)) return;
            // Larger ones would swamp what is assumed in the arithmetic, so that nothing could be solved.
            double scale = Math.min(1, MAX_CLICKS / Math.max(clicksExpected, clicked));
            if (size == expected.length) {
                expected = Arrays.copyOf(expected, size * 2);
                clicks = Arrays.copyOf(clicks, size * 2);
                faults = Arrays.copyOf(faults, size * 2);
            }
            expected[size] = clicksExpected * scale;
            clicks[size] = clicked * scale;
            faults[size++] = itsFaults;
        }

        public AppealModel fit() {
            double[] at = new double[priors.length + 1];
            for (int k = 0; k < priors.length; k++) at[k + 1] = priors[k].mean();
            double spread = 0;
            for (int round = 0; round < 6; round++) {
                climb(at, spread);
                double next = spread(at);
                if (Math.abs(next - spread) < 1e-4) break;
                spread = next;
            }
            double[][] curvature = curvature(at, spread);
            double[][] inverse = PositiveMatrix.inverse(curvature);
            return new AppealModel(Math.exp(at[0]), costs(at, inverse), size, spread);
        }

        private Cost[] costs(double[] at, double[][] inverse) {
            int[] counts = new int[priors.length];
            for (int i = 0; i < size; i++) for (int fault : faults[i]) counts[fault]++;
            Cost[] costs = new Cost[priors.length];
            for (int k = 0; k < costs.length; k++) {
                double error = Math.sqrt(inverse[k + 1][k + 1]);
                costs[k] =
                        new Cost(at[k + 1], error, counts[k], Cost.Source.of(counts[k], error / priors[k].deviation()));
            }
            return costs;
        }

        /** Fisher scoring from where it stands to the top, a bounded step at a time. */
        private void climb(double[] at, double spread) {
            for (int round = 0; round < ROUNDS; round++) {
                double[] step = PositiveMatrix.solve(curvature(at, spread), slope(at, spread));
                double largest = Arrays.stream(step).map(Math::abs).max().orElse(0);
                double scale = largest > MAX_STEP ? MAX_STEP / largest : 1;
                for (int k = 0; k < at.length; k++) at[k] += scale * step[k];
                if (largest < CLOSE) return;
            }
        }

        private double mean(int item, double[] at) {
            double log = at[0];
            for (int fault : faults[item]) log += at[fault + 1];
            return expected[item] * Math.exp(Math.max(-30, Math.min(30, log)));
        }

        private double[] slope(double[] at, double spread) {
            double[] slope = new double[at.length];
            for (int i = 0; i < size; i++) {
                double mean = mean(i, at);
                double residual = (clicks[i] - mean) / (1 + spread * mean);
                slope[0] += residual;
                for (int fault : faults[i]) slope[fault + 1] += residual;
            }
            slope[0] -= at[0] / (BASE_DEVIATION * BASE_DEVIATION);
            for (int k = 0; k < priors.length; k++) {
                slope[k + 1] -= (at[k + 1] - priors[k].mean()) / (priors[k].deviation() * priors[k].deviation());
            }
            return slope;
        }

        private double[][] curvature(double[] at, double spread) {
            double[][] curvature = new double[at.length][at.length];
            for (int i = 0; i < size; i++) {
                double mean = mean(i, at);
                double weight = mean / (1 + spread * mean);
                curvature[0][0] += weight;
                for (int fault : faults[i]) {
                    curvature[0][fault + 1] += weight;
                    curvature[fault + 1][0] += weight;
                    for (int other : faults[i]) curvature[fault + 1][other + 1] += weight;
                }
            }
            curvature[0][0] += 1 / (BASE_DEVIATION * BASE_DEVIATION);
            for (int k = 0; k < priors.length; k++) {
                curvature[k + 1][k + 1] += 1 / (priors[k].deviation() * priors[k].deviation());
            }
            return curvature;
        }

        /** The τ at which the squared residuals, each over its variance, add up to as many as there are items. */
        private double spread(double[] at) {
            double[] means = new double[size];
            for (int i = 0; i < size; i++) means[i] = mean(i, at);
            if (excess(means, 0) <= 0) return 0;
            double low = 0;
            double high = MAX_SPREAD;
            for (int round = 0; round < 40; round++) {
                double middle = (low + high) / 2;
                if (excess(means, middle) > 0) low = middle;
                else high = middle;
            }
            return (low + high) / 2;
        }

        private double excess(double[] means, double spread) {
            double sum = 0;
            for (int i = 0; i < size; i++) {
                double residual = clicks[i] - means[i];
                sum += residual * residual / (means[i] * (1 + spread * means[i]));
            }
            return sum - size;
        }
    }
}
