package lucidsweep.core.move;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class BreaksTest {

    private static final int WEEKS = 70;
    private static final double MONTHS = WEEKS / (365.25 / 12 / 7);

    /** Noise, some of it sticking from week to week, and a slow drift in some. */
    private static double[] quiet(Random random, double noise, double sticks, double drift) {
        double[] values = new double[WEEKS];
        double last = 0;
        for (int week = 0; week < WEEKS; week++) {
            last = sticks * last + random.nextGaussian() * noise * Math.sqrt(1 - sticks * sticks);
            values[week] = 1 + drift * week + last;
        }
        return values;
    }

    private static List<Break> breaks(double[] values) {
        return Breaks.of(values, new double[values.length], 0.1);
    }

    @ParameterizedTest
    @CsvSource({
        "0.03, 0, 0",
        "0.06, 0, 0",
        "0.15, 0, 0",
        "0.4, 0, 0",
        "0.06, 0.3, 0",
        "0.06, 0, 0.01",
        "0.06, 0, -0.015"
    })
    void fewerThanOneInTwoHundredQuietSeriesBreaksInAMonth(double noise, double sticks, double drift) {
        Random random = new Random(11);
        int series = 1_500;
        int alarms = 0;
        for (int i = 0; i < series; i++)
            alarms += breaks(quiet(random, noise, sticks, drift)).size();
        assertThat(alarms / (series * MONTHS)).isLessThan(1 / 200.0);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.7, 1.3})
    void nearlyAllBreaksOfThirtyPercentAreFoundWithinThreeWeeks(double times) {
        Random random = new Random(5);
        int found = 0;
        for (int i = 0; i < 1_000; i++) {
            double[] values = quiet(random, 0.06, 0, 0);
            int week = 30 + random.nextInt(WEEKS - 33);
            for (int later = week; later < WEEKS; later++) values[later] += Math.log(times);
            List<Break> breaks = breaks(Arrays.copyOf(values, week + 3));
            if (breaks.stream().anyMatch(each -> Math.abs(each.week() - week) <= 1)) found++;
        }
        assertThat(found / 1_000.0).isGreaterThanOrEqualTo(0.95);
    }

    @Test
    void saysWhenAndByHowMuchAndFindsSeveral() {
        double[] values = quiet(new Random(3), 0.05, 0, 0);
        for (int week = 25; week < 50; week++) values[week] += Math.log(0.6);
        List<Break> breaks = breaks(values);
        assertThat(breaks).extracting(Break::week).containsExactly(25, 50);
        assertThat(breaks.get(0).ratio()).isCloseTo(0.6, within(0.04));
        assertThat(breaks.get(1).ratio()).isCloseTo(1 / 0.6, within(0.1));
    }

    @Test
    void aWeekThatComesBackIsNoBreakNorIsOneOfFewCounts() {
        double[] values = quiet(new Random(9), 0.05, 0, 0);
        values[40] += 1.2;
        values[55] -= 0.9;
        assertThat(breaks(values)).isEmpty();
        assertThat(breaks(Arrays.copyOf(values, 41))).as("the last week alone").isEmpty();
        double[] errors = new double[WEEKS];
        Arrays.fill(errors, 0.2);
        for (int week = 60; week < WEEKS; week++) values[week] += 0.25;
        assertThat(Breaks.of(values, errors, 0.1))
                .as("counting alone does as much")
                .isEmpty();
        assertThat(breaks(values)).extracting(Break::week).containsExactly(60);
    }

    @Test
    void weeksWithoutReportsArePassedOver() {
        double[] values = quiet(new Random(2), 0.05, 0, 0);
        Arrays.fill(values, 20, 26, Double.NaN);
        Arrays.fill(values, 44, 46, Double.NaN);
        for (int week = 46; week < WEEKS; week++) if (week != 48) values[week] += 0.5;
        values[48] = Double.NaN;
        assertThat(breaks(values)).extracting(Break::week).containsExactly(46);
        Arrays.fill(values, Double.NaN);
        assertThat(breaks(values)).isEmpty();
        assertThat(breaks(new double[0])).isEmpty();
    }
}
