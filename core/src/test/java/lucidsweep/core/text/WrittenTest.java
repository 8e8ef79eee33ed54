package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.core.text.WrittenDate.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Dates and numbers as files write them. */
class WrittenTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "2026-11-25                    | 2026-11-25",
                "2026/3/5                      | 2026-03-05",
                "20261125                      | 2026-11-25",
                "2026-11-25T10:30:00Z          | 2026-11-25",
                "2026-11-25 10:30              | 2026-11-25",
                "25.11.2026                    | 2026-11-25",
                "25/11/26                      | 2026-11-25",
                "5-3-2026                      | 2026-03-05",
                "25 Nov 2026                   | 2026-11-25",
                "25th November 2026            | 2026-11-25",
                "25-Nov-26                     | 2026-11-25",
                "Nov 25, 2026                  | 2026-11-25",
                "September 3rd 2026            | 2026-09-03",
                "3 Sept. 2026                  | 2026-09-03",
                "Wed, 25 Nov 2026 10:30:00 GMT | 2026-11-25",
                "29 Feb 2024                   | 2024-02-29",
                "29 Feb 2026                   | none",
                "2026-13-01                    | none",
                "31/04/2026                    | none",
                "25 Foo 2026                   | none",
                "45.50                         | none",
                "''                            | none",
            })
    void datesWithTheDayFirst(String written, String expected) {
        assertThat(WrittenDate.iso(written, Order.DAY_FIRST).orElse(null)).isEqualTo(expected);
    }

    @Test
    void theOrderOfDayAndMonth() {
        assertThat(WrittenDate.iso("11/25/2026", Order.MONTH_FIRST)).contains("2026-11-25");
        assertThat(WrittenDate.iso("11/25/2026", Order.DAY_FIRST)).isEmpty();
        assertThat(WrittenDate.iso("25.11.2026", Order.MONTH_FIRST))
                .as("with dots the day comes first everywhere")
                .contains("2026-11-25");
        assertThat(WrittenDate.onlyOrder("11/25/2026")).contains(Order.MONTH_FIRST);
        assertThat(WrittenDate.onlyOrder("25/11/2026")).contains(Order.DAY_FIRST);
        assertThat(WrittenDate.onlyOrder("2026-11-25")).isEmpty();
        assertThat(WrittenDate.isAmbiguous("11/12/2026")).isTrue();
        assertThat(WrittenDate.isAmbiguous("11/11/2026")).isFalse();
        assertThat(WrittenDate.isAmbiguous("2026-11-12")).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "2026-11, 2026-11",
                "11/2026, 2026-11",
                "Nov 2026, 2026-11",
                "november-26, 2026-11",
                "202611, 2026-11",
                "2026-11-25, none",
                "Kayak 2026, none",
                "1300, none"
            })
    void months(String written, String expected) {
        assertThat(WrittenDate.month(written).orElse(null)).isEqualTo(expected);
    }

    @Test
    void theLastDayOfAMonth() {
        assertThat(WrittenDate.lastDay("2026-02")).isEqualTo("2026-02-28");
        assertThat(WrittenDate.lastDay("2028-02")).isEqualTo("2028-02-29");
        assertThat(WrittenDate.lastDay("2026-11")).isEqualTo("2026-11-30");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            nullValues = "none",
            value = {
                "45        | 45",
                "45.00     | 45.00",
                "45,00     | 45.00",
                "£1,300.50 | 1300.50",
                "1.300,50 €| 1300.50",
                "1,300     | 1300",
                "1,300,000 | 1300000",
                "1.300.000 | 1300000",
                "1 300,5   | 1300.5",
                "1'300     | 1300",
                "12 %      | 12",
                "-3.5      | -3.5",
                ".5        | 0.5",
                "USD 20    | 20",
                "4.5.6,7.8 | none",
                "on demand | none",
                "''        | none",
            })
    void numbers(String written, String expected) {
        assertThat(WrittenNumber.plain(written).orElse(null)).isEqualTo(expected);
    }
}
