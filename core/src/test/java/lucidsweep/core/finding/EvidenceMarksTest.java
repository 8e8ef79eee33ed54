package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EvidenceMarksTest {

    @ParameterizedTest
    @CsvSource({
        "repeated-word, 'Hire, hire and hirelings', “hire” stands 2 times, Hire|hire",
        "template-text, 'Boats {{name}} here', “{{name}}” was left standing, {{name}}",
        "outdated-year, Boats 2019, 2019 is over, ''",
        "cut-by-author, Kayak hire by the…, it ends with “by the…”, by the",
        "too-long, Kayak hire by the hour, 12 px over 580 on a desktop, ' by the hour'",
        "too-long, Kayak hire, 3 characters over 65, ''",
        "repeated-word, İstanbul boats boats, “boats” stands 2 times, ''",
        "repeated-word, aa aa, “aa” stands 2 times and “aa aa”, aa|aa",
    })
    void marksWhatTheEvidenceSpeaksOf(String code, String text, String evidence, String marked) {
        int fitting = 10;
        List<EvidenceMarks.Stretch> ranges = EvidenceMarks.of(Checks.of(Field.TITLE, code), text, evidence, fitting);
        assertThat(ranges.stream()
                        .map(range -> text.substring(range.from(), range.to()))
                        .collect(Collectors.joining("|")))
                .isEqualTo(marked);
        for (int i = 1; i < ranges.size(); i++)
            assertThat(ranges.get(i).from())
                    .isGreaterThanOrEqualTo(ranges.get(i - 1).to());
    }
}
