package lucidsweep.core.standard;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LimitCheckTest {

    private static final Standard.TextLimits TITLE = Standard.ofPages().title();
    private static final Standard.TextLimits DESCRIPTION = Standard.ofPages().description();
    private static final String[] PIECES = {"W", "i", "kayak ", "🛶", "漢字", "é", "…", "M", " ", "ﬁ"};

    @ParameterizedTest
    @CsvSource({
        "Kayak hire by the hour in Gull Cove, ''",
        "WWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWW, 176 px over",
        "iiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiiii, 9 characters over",
        "'', ''",
    })
    void saysByHowMuch(String title, String says) {
        assertThat(LimitCheck.of(title, TITLE).says()).isEqualTo(says);
    }

    @Test
    void whatFitsIsTheLongestBeginningThatPassesEveryLimit() {
        Random random = new Random(51);
        for (int round = 0; round < 2_000; round++) {
            Standard.TextLimits limits = random.nextBoolean() ? TITLE : DESCRIPTION;
            StringBuilder made = new StringBuilder();
            for (int n = random.nextInt(160); n > 0; n--) made.append(PIECES[random.nextInt(PIECES.length)]);
            String text = made.toString();
            LimitCheck fit = LimitCheck.of(text, limits);
            String fitting = text.substring(0, fit.fitting());
            assertThat(limits.fits(fitting, Graphemes.count(fitting))).isTrue();
            assertThat(fit.says().isEmpty()).as(text).isEqualTo(fit.fitting() == text.length());
            assertThat(fit.px()).isEqualTo(limits.desktop().width(text));
            assertThat(fit.chars()).isEqualTo(Graphemes.count(text));
            assertThat(limits.desktop().holds(text.substring(0, fit.desktopFitting())))
                    .isTrue();
            assertThat(limits.phone().holds(text.substring(0, fit.phoneFitting())))
                    .isTrue();
            assertThat(Math.min(fit.desktopFitting(), fit.phoneFitting())).isGreaterThanOrEqualTo(fit.fitting());
            if (fit.fitting() == text.length()) continue;
            assertThat(Character.isLowSurrogate(text.charAt(fit.fitting())))
                    .as("no character is split")
                    .isFalse();
            String more = text.substring(0, text.offsetByCodePoints(fit.fitting(), 1));
            assertThat(limits.fits(more, Graphemes.count(more))).as("one more").isFalse();
        }
    }

    /** Both slots are on the scale of the desktop, so that one ruler shows them. */
    @Test
    void theRulerHasOneScale() {
        LimitCheck fit = LimitCheck.of("Kayaks", TITLE);
        assertThat(fit.desktopLimit()).isEqualTo(580);
        assertThat(fit.phoneLimit()).isEqualTo(580 * 20.0 / 18);
        assertThat(TITLE.phone().width("Kayaks") * 20 / 18)
                .isCloseTo(fit.px(), org.assertj.core.api.Assertions.within(1e-9));
    }
}
