package lucidsweep.core.demand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeasonLevelsTest {

    private static final double QUARTER = 13 / 52.0;

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "a section without a season,                  250000, 1000000, 1.0, 0.01",
        "summer in summer,                            500000, 1000000, 2.0, 0.01",
        "summer in winter,                             50000, 1000000, 0.2, 0.06",
        "one that was shown little is like the whole,      0,      10, 1.5, 0.02",
        "one that began in the window is bounded,    1000000, 1000000, 4.0, 0.01"
    })
    void aSectionHasItsOwnSeason(String name, double window, double year, double level, double off) {
        SeasonLevels.Adder adder = new SeasonLevels.Adder(QUARTER);
        adder.window("/all/", 37_500_000);
        adder.year("/all/", 100_000_000);
        adder.window("/one/", window);
        adder.year("/one/", year);
        SeasonLevels levels = adder.levels();
        assertThat(levels.of("/one/")).isCloseTo(level, within(off));
        assertThat(levels.of("/new/")).isEqualTo(levels.whole()).isCloseTo(1.5, within(0.03));
    }

    @Test
    void withoutAYearBeforeNothingIsLevelled() {
        SeasonLevels.Adder adder = new SeasonLevels.Adder(QUARTER);
        adder.year("/tours/", 5_000);
        assertThat(adder.levels()).isEqualTo(SeasonLevels.UNKNOWN);
        assertThat(SeasonLevels.UNKNOWN.of("/tours/")).isEqualTo(1);
    }
}
