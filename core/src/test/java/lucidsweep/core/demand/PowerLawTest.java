package lucidsweep.core.demand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PowerLawTest {

    private static final int BINS = 20;

    private static double[] positions() {
        double[] positions = new double[BINS];
        for (int i = 0; i < BINS; i++) positions[i] = i + 1.2;
        return positions;
    }

    @ParameterizedTest
    @CsvSource({"0.3, 1.2", "0.5, 0.7", "0.1, 2.1", "0.2, 0"})
    void isTheOneThatTheClicksWereMadeBy(double first, double fall) {
        double[] positions = positions();
        double[] impressions = new double[BINS];
        double[] clicks = new double[BINS];
        Random random = new Random(5);
        for (int i = 0; i < BINS; i++) {
            impressions[i] = 50_000 + random.nextInt(50_000);
            clicks[i] = impressions[i] * first * Math.pow(positions[i], -fall);
        }
        PowerLaw law = PowerLaw.through(positions, impressions, clicks);
        assertThat(law.first()).isCloseTo(first, within(1e-3));
        assertThat(law.fall()).isCloseTo(fall, within(1e-3));
    }

    @Test
    void noOtherFallIsLikelier() {
        Random random = new Random(6);
        for (int round = 0; round < 50; round++) {
            double[] positions = positions();
            double[] impressions = random.doubles(BINS, 100, 9_000).toArray();
            double[] clicks = new double[BINS];
            for (int i = 0; i < BINS; i++) clicks[i] = random.nextInt((int) (impressions[i] / (i + 2)) + 1);
            PowerLaw law = PowerLaw.through(positions, impressions, clicks);
            double best = likelihood(law, positions, impressions, clicks);
            for (double off : new double[] {-0.2, -0.02, 0.02, 0.2}) {
                PowerLaw other = new PowerLaw(law.first(), Math.max(0, law.fall() + off));
                assertThat(likelihood(other, positions, impressions, clicks)).isLessThanOrEqualTo(best + 1e-6);
            }
        }
    }

    private static double likelihood(PowerLaw law, double[] positions, double[] impressions, double[] clicks) {
        double sum = 0;
        for (int i = 0; i < BINS; i++) {
            double rate = law.first() * Math.pow(positions[i], -law.fall());
            sum += clicks[i] * Math.log(rate) - impressions[i] * rate;
        }
        return sum;
    }

    @Test
    void ratesAreNeverMoreThanAll() {
        assertThat(PowerLaw.DEFAULT.times(90).at(1)).isEqualTo(0.95);
        assertThat(new PowerLaw(0.9, 0.5).at(0.1)).isEqualTo(1);
        assertThat(PowerLaw.DEFAULT.at(10)).isCloseTo(0.025, within(0.001));
    }
}
