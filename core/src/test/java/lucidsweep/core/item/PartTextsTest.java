package lucidsweep.core.item;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PartTextsTest {

    /** Whatever the parts are, they come out of their text as they went in; breaks within a text are spaces. */
    @RepeatedTest(50)
    void partsComeOutAsTheyWentIn(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<PartTexts.Part> parts = new ArrayList<>();
        for (int i = random.nextInt(9); i >= 0; i--) {
            String text =
                    random.nextInt(3) == 0 ? null : "über " + random.nextInt(4) + (random.nextBoolean() ? "" : " x");
            parts.add(new PartTexts.Part("/img/" + random.nextInt(5) + ".jpg", random.nextInt(5) == 0 ? "" : text));
        }
        String text = PartTexts.join(parts);
        assertThat(PartTexts.of(text)).isEqualTo(parts);
        assertThat(PartTexts.merged(text, text)).isEqualTo(text);
        assertThat(PartTexts.merged(text, "")).isEqualTo(text);
        String upper = PartTexts.changed(text, each -> each.toUpperCase(Locale.ROOT));
        assertThat(PartTexts.of(upper))
                .extracting(PartTexts.Part::address)
                .isEqualTo(parts.stream().map(PartTexts.Part::address).toList());
        assertThat(PartTexts.merged(text, upper)).isEqualTo(upper);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "a>One;b|a>Two|a>Two;b|the first is told, the other stays",
                "a>One;b|b>Two|a>One;b>Two|one without a text gets one",
                "a>One|b>Two|a>One|an address that the page does not have is passed over",
                "a>One;a>Two|a>Three|a>Three;a>Two|of two with one address the first comes first",
                "a>One;a>Two|a>One;a>Four|a>One;a>Four|and the second second",
                "a>One|a|a|a text may go altogether",
                "a|a>|a>|or be empty on purpose",
            })
    void whatIsGivenGoesToItsPlace(String own, String given, String merged, String why) {
        assertThat(shown(PartTexts.merged(lines(own), lines(given)))).as(why).isEqualTo(merged);
    }

    private static String lines(String shown) {
        return shown.replace(';', '\n').replace('>', '\t');
    }

    private static String shown(String lines) {
        return lines.replace('\n', ';').replace('\t', '>');
    }

    @ParameterizedTest
    @CsvSource({"IMAGES, true", "LINKS, true", "OG_TITLE, false", "TITLE, false"})
    void onlyImagesAndLinksAreParts(Field field, boolean parts) {
        assertThat(PartTexts.areOf(field)).isEqualTo(parts);
        assertThat(Field.of(field.code())).isEqualTo(field);
    }
}
