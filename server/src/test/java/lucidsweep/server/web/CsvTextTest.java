package lucidsweep.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringWriter;
import org.junit.jupiter.api.Test;

class CsvTextTest {

    private static final Object[] CELLS = {"a;b", "say \"ahoy\"", null, 4, "two\nlines", " plain ", "=2+2 ways", -20};

    @Test
    void aFileForMachinesIsFaithfulToTheLetter() {
        StringWriter out = new StringWriter();
        try (CsvText csv = CsvText.faithful(out, ';')) {
            csv.row(CELLS);
        }
        assertThat(out.toString())
                .isEqualTo("\"a;b\";\"say \"\"ahoy\"\"\";;4;\"two\nlines\"; plain ;=2+2 ways;-20\r\n");
    }

    @Test
    void aTableForPeopleHoldsNoFormula() {
        StringWriter out = new StringWriter();
        try (CsvText csv = CsvText.guarded(out)) {
            csv.row(CELLS);
        }
        assertThat(out.toString()).isEqualTo("a;b,\"say \"\"ahoy\"\"\",,4,\"two\nlines\", plain ,'=2+2 ways,-20\r\n");
    }
}
