package lucidsweep.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CsvTextTest {

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
    void whatASpreadsheetWouldRunIsNeutralised(String text, String written) {
        assertThat(CsvText.neutral(text)).isEqualTo(written);
    }

    @Test
    void tabsAndReturnsFirstAreNeutralisedToo() {
        assertThat(CsvText.neutral("\t=1")).isEqualTo("'\t=1");
        assertThat(CsvText.neutral("\r=1")).isEqualTo("'\r=1");
    }

    @Test
    void cellsAreQuotedWhereTheyMustBe() {
        StringWriter out = new StringWriter();
        try (CsvText csv = new CsvText(out, ';')) {
            csv.row("a;b", "say \"ahoy\"", null, 4, "two\nlines", " plain ");
        }
        assertThat(out.toString()).isEqualTo("\"a;b\";\"say \"\"ahoy\"\"\";;4;\"two\nlines\"; plain \r\n");
    }
}
