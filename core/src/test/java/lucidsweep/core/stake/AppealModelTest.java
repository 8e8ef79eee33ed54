package lucidsweep.core.stake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import lucidsweep.core.finding.Stake;
import org.junit.jupiter.api.Test;

/** Costs held to a made-up market whose searchers are known. */
class AppealModelTest {

    private static final double[] TRUE = {-0.30, -0.15, 0, -0.05, 0, -0.22};
    private static final AppealModel.Prior[] PRIORS = IntStream.range(0, TRUE.length)
            .mapToObj(i -> new AppealModel.Prior(-0.1, 0.15))
            .toArray(AppealModel.Prior[]::new);

    /** Items with faults, what their positions let expect, and clicks that differ for reasons nobody sees. */
    private record Market(AppealModel model, double trueGain, double gain) {

        static Market of(int seed, int items) {
            Random random = new Random(seed);
            AppealModel.Fitter fitter = new AppealModel.Fitter(PRIORS);
            double[] expected = new double[items];
            int[][] faults = new int[items][];
            double trueGain = 0;
            for (int i = 0; i < items; i++) {
                expected[i] = Math.exp(1 + 1.6 * random.nextGaussian());
                faults[i] = IntStream.range(0, TRUE.length)
                        .filter(fault -> random.nextDouble() < 0.08 + 0.04 * fault)
                        .toArray();
                double lost = Arrays.stream(faults[i]).mapToDouble(f -> TRUE[f]).sum();
                double faultless = expected[i] * 1.1 * Math.exp(0.4 * random.nextGaussian() - 0.08);
                trueGain += faultless * (1 - Math.exp(lost));
                fitter.add(expected[i], poisson(faultless * Math.exp(lost), random), faults[i]);
            }
            AppealModel model = fitter.fit();
            double gain = IntStream.range(0, items)
                    .mapToDouble(i -> Arrays.stream(model.stakes(expected[i], faults[i]))
                            .mapToDouble(Stake::clicks)
                            .sum())
                    .sum();
            return new Market(model, trueGain, gain);
        }

        private static int poisson(double mean, Random random) {
            if (mean > 200) return (int) Math.max(0, Math.round(mean + Math.sqrt(mean) * random.nextGaussian()));
            double limit = Math.exp(-mean);
            double product = random.nextDouble();
            int count = 0;
            for (; product > limit; count++) product *= random.nextDouble();
            return count;
        }
    }

    @Test
    void intervalsCoverTheTruthAndNothingWhereAFaultCostsNothing() {
        int covered = 0;
        int coveredNothing = 0;
        for (int seed = 0; seed < 20; seed++) {
            AppealModel model = Market.of(seed, 2_000).model();
            for (int fault = 0; fault < TRUE.length; fault++) {
                Cost cost = model.cost(fault);
                boolean covers = cost.low() <= TRUE[fault] && TRUE[fault] <= cost.high();
                if (covers) covered++;
                if (TRUE[fault] == 0 && covers) coveredNothing++;
                assertThat(cost.source()).isEqualTo(Cost.Source.OWN);
            }
            assertThat(model.base()).isCloseTo(1.1, within(0.1));
            assertThat(model.spread()).isBetween(0.08, 0.35);
        }
        assertThat(covered).as("of 120").isGreaterThanOrEqualTo(108);
        assertThat(coveredNothing).as("of 40").isGreaterThanOrEqualTo(36);
    }

    @Test
    void gainsAddUpToTheTruthWithinAFactor() {
        double[] ratios = IntStream.range(0, 20)
                .mapToObj(seed -> Market.of(seed, 3_000))
                .mapToDouble(market -> market.gain() / market.trueGain())
                .toArray();
        assertThat(Arrays.stream(ratios).filter(ratio -> ratio > 1 / 1.5 && ratio < 1.5))
                .as("of 20")
                .hasSizeGreaterThanOrEqualTo(19);
        assertThat(Arrays.stream(ratios).average().orElse(0)).isBetween(0.9, 1.1);
    }

    @Test
    void withoutFiguresWhatIsAssumedStands() {
        AppealModel model = new AppealModel.Fitter(PRIORS).fit();
        assertThat(model.base()).isCloseTo(1, within(1e-9));
        Cost cost = model.cost(1);
        assertThat(cost.effect()).isCloseTo(-0.1, within(1e-9));
        assertThat(cost.error()).isCloseTo(0.15, within(1e-9));
        assertThat(cost.source()).isEqualTo(Cost.Source.ASSUMED);
        assertThat(Cost.lostShare(cost.effect())).isCloseTo(0.095, within(0.001));
    }

    @Test
    void gainsAreSharedOutAndNeverNegative() {
        AppealModel model = Market.of(1, 3_000).model();
        Stake[] both = model.stakes(100, new int[] {0, 1});
        double lost = model.cost(0).effect() + model.cost(1).effect();
        assertThat(both[0].plus(both[1]).clicks()).isCloseTo(100 * model.base() * (1 - Math.exp(lost)), within(1e-9));
        assertThat(both[0].clicks() / both[1].clicks())
                .isCloseTo(model.cost(0).effect() / model.cost(1).effect(), within(1e-9));
        for (int fault = 0; fault < TRUE.length; fault++) {
            Stake stake = model.stakes(50, new int[] {fault})[0];
            assertThat(stake.clicks()).isBetween(stake.low(), stake.high()).isBetween(0.0, 50 * model.base());
            assertThat(stake.low()).isNotNegative();
        }
        assertThat(model.stakes(50, new int[0])).isEmpty();
    }

    /** One item with all the clicks, none with any, or absurd numbers: an answer all the same, and a finite one. */
    @Test
    void oddFiguresGiveFiniteCosts() {
        double[][] odd = {
            {1e9, 1e9},
            {1e-9, 1e6},
            {1e6, 0},
            {0, 5},
            {Double.NaN, 1},
            {1e18, 1e18},
            {1e300, 1},
            {Double.MIN_VALUE, 1e300},
            {5, Double.NaN},
            {3, 3}
        };
        for (double[] alone : odd) {
            AppealModel.Fitter fitter = new AppealModel.Fitter(PRIORS);
            fitter.add(alone[0], alone[1], new int[] {0, 3});
            for (int i = 0; i < 50; i++) fitter.add(0.5, i % 2, i % 3 == 0 ? new int[] {1} : new int[0]);
            AppealModel model = fitter.fit();
            for (int fault = 0; fault < TRUE.length; fault++) {
                assertThat(model.cost(fault).effect()).isFinite();
                assertThat(model.cost(fault).error()).isPositive().isFinite();
            }
            assertThat(model.base()).isPositive().isFinite();
        }
    }
}
