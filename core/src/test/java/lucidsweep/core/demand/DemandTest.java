package lucidsweep.core.demand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DemandTest {

    @Test
    void fallingStepsAreTheNearestOnes() {
        assertThat(Monotone.falling(new double[] {3, 1, 2, 0}, new double[] {1, 1, 3, 1}))
                .containsExactly(3, 1.75, 1.75, 0);
        Random random = new Random(1);
        for (int round = 0; round < 200; round++) {
            double[] values = random.doubles(12).toArray();
            double[] weights = random.doubles(12, 0.1, 5).toArray();
            double[] fitted = Monotone.falling(values, weights);
            for (int i = 1; i < fitted.length; i++) assertThat(fitted[i]).isLessThanOrEqualTo(fitted[i - 1]);
            double sum = 0;
            double sumFitted = 0;
            for (int i = 0; i < fitted.length; i++) {
                sum += values[i] * weights[i];
                sumFitted += fitted[i] * weights[i];
            }
            assertThat(sumFitted).isCloseTo(sum, within(1e-9));
            double[] nudged = fitted.clone();
            for (int i = 0; i < nudged.length; i++) nudged[i] += random.nextGaussian() * 0.01;
            Arrays.sort(nudged);
            double[] other = DoubleStream.iterate(11, i -> i - 1)
                    .limit(12)
                    .map(i -> nudged[(int) i])
                    .toArray();
            assertThat(squares(fitted, values, weights)).isLessThanOrEqualTo(squares(other, values, weights) + 1e-12);
        }
    }

    private static double squares(double[] fitted, double[] values, double[] weights) {
        double sum = 0;
        for (int i = 0; i < fitted.length; i++) sum += weights[i] * Math.pow(fitted[i] - values[i], 2);
        return sum;
    }

    @Test
    void theCurveFindsWhatTheClicksWereMadeBy() {
        DoubleUnaryOperator steps = position -> position < 1.5 ? 0.34 : position < 4.5 ? 0.09 : 0.012;
        DoubleUnaryOperator power = position -> 0.3 * Math.pow(position, -1.2);
        ClickCurve stepped = curve(steps, 4_000, 500, 0);
        ClickCurve smooth = curve(power, 4_000, 500, 0.1);
        assertThat(stepped.shape()).isEqualTo(ClickCurve.Shape.STEPS);
        for (int position : new int[] {1, 3, 10}) {
            assertThat(stepped.rate(position)).isCloseTo(steps.applyAsDouble(position), within(0.012));
        }
        for (ClickCurve.Point point : smooth.points()) {
            double truth = power.applyAsDouble(point.position());
            assertThat(point.rate()).as("position %d", point.position()).isCloseTo(truth, within(0.1 * truth + 0.001));
            assertThat(point.low()).isLessThanOrEqualTo(point.rate());
            assertThat(point.high()).isGreaterThanOrEqualTo(point.rate());
        }
        assertThat(smooth.points().stream()
                        .filter(point -> point.low() <= power.applyAsDouble(point.position()) + 1e-3
                                && point.high() >= power.applyAsDouble(point.position()) - 1e-3)
                        .count())
                .as("points whose truth lies between low and high")
                .isGreaterThanOrEqualTo(18);
    }

    @Test
    void whereDataIsThinTheDefaultStandsInAndTheCurveAlwaysFalls() {
        assertThat(new ClickCurve.Fitter().fit().shape()).isEqualTo(ClickCurve.Shape.DEFAULT);
        ClickCurve.Fitter odd = new ClickCurve.Fitter();
        odd.add(1, 0, 500, 5);
        odd.add(2, 3, 0, 5);
        odd.add(3, 4, 100, 900);
        assertThat(odd.fit().shape()).isEqualTo(ClickCurve.Shape.SCALED);
        for (int seed = 0; seed < 40; seed++) {
            ClickCurve curve = curve(position -> 0.5 / position, 1 + seed * 3, 60, 0.1);
            for (double position = 1; position < 60; position += 0.25) {
                assertThat(curve.rate(position + 0.25)).isBetween(0.0, curve.rate(position));
            }
        }
    }

    private static ClickCurve curve(DoubleUnaryOperator truth, int rows, int shown, double spread) {
        ClickCurve.Fitter fitter = new ClickCurve.Fitter();
        Random random = new Random(rows);
        for (int row = 0; row < rows; row++) {
            double position = 1 + random.nextInt(20) + random.nextInt(3) * spread;
            int clicks = 0;
            for (int i = 0; i < shown; i++) if (random.nextDouble() < truth.applyAsDouble(position)) clicks++;
            fitter.add(random.nextInt(rows), position, shown, clicks);
        }
        return fitter.fit();
    }

    @ParameterizedTest
    @CsvSource({
        "'10 10 10 10 30 32 30 10 10 10 10 10', 2, 12, May to July",
        "'10 10 10 10 30 32 30 10 10 10 10 10', 1, 12, May to July; one year only",
        "'90 10 10 10 10 10 10 10 10 10 10 80', 2, 12, December and January",
        "'10 10 10 10 30 32 30 10 10 10 10 10', 2, 3, August to October",
        "'10 10 11 10 10 10 11 10 10 10 10 10', 2, 12, ''",
        "'0 0 0 0 0 0 0 0 0 0 0 0', 3, 12, ''",
        "'10 10 10 50 10 10 10 10 10 50 10 10', 3, 12, 'April, October'",
    })
    void namesTheMonthsThatStandOut(String year, int years, int lastMonth, String words) {
        String all = (year + " ").repeat(years).strip();
        long[] volumes =
                Arrays.stream(all.split(" ")).mapToLong(Long::parseLong).toArray();
        assertThat(Season.of(volumes, lastMonth).words()).isEqualTo(words);
    }

    @Test
    void growthIsNoSeasonAndOneGoodMonthIsNone() {
        long[] growing = new long[36];
        for (int i = 0; i < growing.length; i++) growing[i] = 100 + 40L * i;
        assertThat(Season.of(growing, 12).evidence()).isNotEqualTo(Season.Evidence.EVERY_YEAR);
        long[] once = new long[36];
        Arrays.fill(once, 50);
        once[20] = 400;
        assertThat(Season.of(once, 12).words()).isEmpty();
        assertThat(Season.of(new long[] {1, 2, 900}, 5).evidence()).isEqualTo(Season.Evidence.NONE);
    }

    @Test
    void rowsCountInTheWindowWhereTheirMiddleLies() {
        DemandTally tally = new DemandTally(1_000, 1_090);
        tally.add(0, 7, 1_000, 1_006, 3, 100, 4);
        tally.add(0, 7, 1_007, 1_013, 1, 300, 0);
        tally.add(0, 7, 950, 956, 5, 50, 8);
        tally.add(0, 7, 1_000 - 364, 1_006 - 364, 2, 20, 6);
        tally.add(0, 7, 100, 106, 9, 9, 9);
        tally.add(1, 7, 1_084, 1_090, 1, 10, 2);
        List<DemandTally.Line> lines = tally.lines();
        assertThat(lines)
                .extracting(DemandTally.Line::now)
                .containsExactly(new DemandTally.Sum(4, 400, 100, 4), new DemandTally.Sum(1, 10, 10, 2));
        assertThat(lines.get(0).before()).isEqualTo(new DemandTally.Sum(5, 50, 50, 8));
        assertThat(lines.get(0).yearBefore()).isEqualTo(new DemandTally.Sum(2, 20, 20, 6));
        assertThat(tally.months()).isCloseTo(21 / 30.44, within(0.01));
        assertThat(tally.missingDays()).isEqualTo(70);
        assertThat(tally.firstDay(0)).isEqualTo(100);
        for (int i = 0; i < 3_000; i++) tally.add(2, i, 1_000, 1_000, 1, i + 1, 1);
        assertThat(tally.lines())
                .hasSize(3_002)
                .extracting(DemandTally.Line::query)
                .startsWith(7, 7, 0, 1)
                .endsWith(2_998, 2_999);
    }

    @Test
    void whatIsAddedUpIsWhatASlowSumSays() {
        Random random = new Random(11);
        DemandTally tally = new DemandTally(20_000, 20_090);
        Map<String, long[]> slow = new TreeMap<>();
        for (int row = 0; row < 30_000; row++) {
            int item = random.nextInt(60);
            int query = random.nextInt(80);
            int first = 19_500 + random.nextInt(650);
            int last = first + random.nextInt(14);
            long clicks = random.nextInt(5);
            long shown = 1 + random.nextInt(90);
            double position = random.nextInt(4) == 0 ? 0 : 1 + random.nextInt(30);
            tally.add(item, query, first, last, clicks, shown, position);
            int middle = first + (last - first) / 2;
            long[] sums = slow.computeIfAbsent("%03d %03d".formatted(item, query), any -> new long[8]);
            int window = middle >= 20_000 && middle <= 20_090
                    ? 0
                    : middle >= 19_909 && middle < 20_000 ? 1 : middle >= 19_636 && middle <= 19_726 ? 2 : -1;
            if (window < 0) continue;
            sums[6]++;
            sums[window] += clicks;
            sums[3 + window] += shown;
        }
        slow.values().removeIf(sums -> sums[6] == 0);
        List<DemandTally.Line> lines = tally.lines();
        assertThat(lines).hasSize(slow.size());
        for (DemandTally.Line line : lines) {
            long[] sums = slow.get("%03d %03d".formatted(line.item(), line.query()));
            assertThat(List.of(
                            line.now().clicks(),
                            line.before().clicks(),
                            line.yearBefore().clicks()))
                    .containsExactly(sums[0], sums[1], sums[2]);
            assertThat(List.of(
                            line.now().impressions(),
                            line.before().impressions(),
                            line.yearBefore().impressions()))
                    .containsExactly(sums[3], sums[4], sums[5]);
            assertThat(line.now().position()).isBetween(0.0, 30.0);
        }
        assertThat(lines)
                .isSortedAccordingTo(
                        Comparator.comparingInt(DemandTally.Line::item).thenComparingInt(DemandTally.Line::query));
    }

    @Test
    void whateverIsReportedTheCurveIsOneThatFallsWithinItsSpread() {
        for (int seed = 0; seed < 200; seed++) {
            Random random = new Random(seed);
            ClickCurve.Fitter fitter = new ClickCurve.Fitter();
            for (int row = random.nextInt(400); row > 0; row--) {
                long shown = random.nextInt(3) == 0 ? 0 : (long) Math.exp(random.nextDouble() * 12);
                fitter.add(random.nextLong(), random.nextDouble() * 40 - 3, shown, (long)
                        (shown * random.nextDouble() * 1.5));
            }
            ClickCurve curve = fitter.fit();
            double before = 1;
            for (ClickCurve.Point point : curve.points()) {
                assertThat(point.rate()).as("seed %d", seed).isBetween(0.0, before);
                assertThat(point.low()).isBetween(0.0, point.rate());
                assertThat(point.high()).isBetween(point.rate(), 1.0);
                before = point.rate();
            }
            assertThat(curve.rate(0)).isEqualTo(curve.rate(1));
            assertThat(curve.rate(500)).isBetween(0.0, curve.rate(20));
        }
    }
}
