package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.core.item.Field;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SentenceTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0       | 0 titles here are cut off.",
                "1       | 1 title here is cut off.",
                "999     | 999 titles here are cut off.",
                "1000    | 1,000 titles here are cut off.",
                "123456  | 123,456 titles here are cut off.",
                "1234567 | 1,234,567 titles here are cut off."
            })
    void saysHowMany(int count, String sentence) {
        assertThat(Sentence.of(Field.TITLE, "is cut off", "are cut off").of(count, " here"))
                .isEqualTo(sentence);
    }
}
