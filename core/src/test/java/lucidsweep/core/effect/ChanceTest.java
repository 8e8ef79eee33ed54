package lucidsweep.core.effect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against the tables that statistics books print. */
class ChanceTest {

    @ParameterizedTest(name = "{0} degrees of freedom: {1}")
    @CsvSource({
        "1, 12.706",
        "2, 4.303",
        "3, 3.182",
        "4, 2.776",
        "5, 2.571",
        "6, 2.447",
        "8, 2.306",
        "10, 2.228",
        "15, 2.131",
        "20, 2.086",
        "30, 2.042",
        "60, 2.000",
        "120, 1.980",
        "100000, 1.960"
    })
    void halfOfAnIntervalIsAsTheTablesSay(double freedom, double errors) {
        assertThat(Chance.halfOf95(freedom)).isCloseTo(errors, within(errors * 0.004));
        assertThat(Chance.ofDifference(errors, freedom)).isCloseTo(0.05, within(freedom < 4 ? 0.015 : 0.003));
    }

    @Test
    void moreDegreesOfFreedomNeverMakeAnIntervalWider() {
        double last = Double.MAX_VALUE;
        for (double freedom = 0.5; freedom < 40; freedom += 0.1) {
            double half = Chance.halfOf95(freedom);
            assertThat(half).as("%.1f degrees", freedom).isLessThanOrEqualTo(last);
            last = half;
        }
    }

    @Test
    void noDifferenceIsCertainlyChanceAndAGreatOneIsNot() {
        assertThat(Chance.ofDifference(0, 20)).isCloseTo(1, within(1e-6));
        assertThat(Chance.ofDifference(-3, 20)).isEqualTo(Chance.ofDifference(3, 20));
        assertThat(Chance.ofDifference(12, 20)).isBetween(0.0, 1e-8);
    }
}
