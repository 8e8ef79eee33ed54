package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.LongStream;
import lucidsweep.core.demand.Season;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SearchesInMonthTest {

    /** Of two years that end in October 2026: January to December say 1 to 12 hundred, the second year twice as much. */
    private static SearchFigures figures(long unknown) {
        List<Long> monthly = LongStream.range(0, 24)
                .map(i -> i == unknown ? -1 : ((i + 10) % 12 + 1) * 100 * (i < 12 ? 1 : 2))
                .boxed()
                .toList();
        return new SearchFigures("gb", 500L, null, "", monthly, "2026-10");
    }

    @ParameterizedTest
    @CsvSource({"1, 150", "10, 1500", "11, 1650", "12, 1800"})
    void areTheMeanOverTheYears(int month, double searches) {
        assertThat(figures(-1).in(month)).isEqualTo(searches);
    }

    @ParameterizedTest
    @CsvSource({"11, 2200", "12, 1800"})
    void yearsThatAreNotKnownDoNotCount(int month, double searches) {
        assertThat(figures(0).in(month)).isEqualTo(searches);
        assertThat(new SearchFigures("gb", 500L, null, "", List.of(), "").in(month))
                .isNaN();
    }

    @ParameterizedTest
    @CsvSource({"4, true", "5, true", "6, true", "7, false", "3, false", "12, false"})
    void aSeasonBeginsAMonthAhead(int month, boolean included) {
        assertThat(new Season(List.of(5, 6), Season.Evidence.EVERY_YEAR).includes(month))
                .isEqualTo(included);
    }

    @ParameterizedTest
    @CsvSource({"12, true", "11, true", "1, true", "2, false"})
    void andOverTheTurnOfTheYear(int month, boolean included) {
        assertThat(new Season(List.of(12, 1), Season.Evidence.ONE_YEAR).includes(month))
                .isEqualTo(included);
    }
}
