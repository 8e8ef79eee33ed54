package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.text.Country;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SearchFiguresTest {

    private static SearchFigures of(String country, Long volume, Long broad, String last, Long... monthly) {
        return new SearchFigures(
                country, volume, broad, country.isEmpty() ? "" : country + " low", List.of(monthly), last);
    }

    @Test
    void countriesAreAddedUpMonthByMonth() {
        SearchFigures sum = SearchFigures.sum(List.of(
                of("ie", 40L, null, "2026-10", 1L, 2L, 3L),
                of("gb", 90L, 300L, "2026-10", 10L, -1L),
                of("us", null, null, "2025-01", 500L, 500L),
                of("", 7_000L, 7_000L, "", new Long[0])));
        assertThat(sum).isEqualTo(new SearchFigures("gb, ie, us", 130L, 300L, "gb low", List.of(12L, 3L), "2026-10"));
        assertThat(SearchFigures.sum(List.of(of("", 7L, null, "")))).isEqualTo(of("", 7L, null, ""));
        assertThat(SearchFigures.sum(List.of(of("gb", null, null, "", new Long[0])))
                        .volume())
                .isNull();
    }

    @Test
    void aLaterListChangesWhatItKnows() {
        SearchFigures before = of("gb", 90L, 300L, "2026-10", 10L, 20L);
        SearchFigures later = new SearchFigures("gb", 100L, null, "", List.of(), "");
        assertThat(before.updated(later))
                .isEqualTo(new SearchFigures("gb", 100L, 300L, "gb low", List.of(10L, 20L), "2026-10"));
        assertThat(before.updated(of("gb", null, 1L, "2026-11", 5L)).lastMonth())
                .isEqualTo("2026-11");
    }

    @ParameterizedTest
    @CsvSource({
        "GBR, gb",
        "uk, gb",
        "United Kingdom, gb",
        " ie , ie",
        "USA, us",
        "Atlantis, atlantis",
        "'', ''",
        "xq, xq"
    })
    void countriesHaveOneCode(String given, String code) {
        assertThat(Country.code(given)).isEqualTo(code);
    }
}
