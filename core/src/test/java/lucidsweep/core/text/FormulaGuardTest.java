package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FormulaGuardTest {

    @ParameterizedTest
    @CsvSource({
        "=1+1, '''=1+1'",
        "'+1 (555) 0100', '''+1 (555) 0100'",
        "@here, '''@here'",
        "-a dash first, '''-a dash first'",
        "-12, -12",
        "'+1,300.5', '+1,300.5'",
        "'', ''",
        "a=b, a=b",
        "–12, –12",
    })
    void whatASpreadsheetWouldReckonWithIsGuarded(String text, String guarded) {
        assertThat(FormulaGuard.guarded(text)).isEqualTo(guarded);
        assertThat(FormulaGuard.unguarded(guarded)).isEqualTo(text);
    }

    @Test
    void tabsAndReturnsFirstAreGuardedToo() {
        assertThat(FormulaGuard.guarded("\t=1")).isEqualTo("'\t=1");
        assertThat(FormulaGuard.guarded("\r=1")).isEqualTo("'\r=1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"'@home' yoga", "'-20%' week", "it's", "'", "'tis the season"})
    void anApostropheOfTheTextItselfStays(String text) {
        assertThat(FormulaGuard.unguarded(text)).isEqualTo(text);
    }
}
