package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Font;
import java.awt.font.FontRenderContext;
import java.awt.font.TextAttribute;
import java.awt.font.TextLayout;
import java.io.File;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MetricFaceTest {

    private final MetricFace face = MetricFace.arimo();

    @Test
    void agreesWithTheLayoutOfTheFaceItself() throws Exception {
        Font font = Font.createFont(Font.TRUETYPE_FONT, new File("face/Arimo-Regular.ttf"))
                .deriveFont(Map.of(TextAttribute.KERNING, TextAttribute.KERNING_ON, TextAttribute.SIZE, 20f));
        FontRenderContext context = new FontRenderContext(null, true, true);
        String[] alphabets = {
            "AVWTYLPFaeouwyv .,-–|:&'\"()0123456789", "ÀÉÖßæøłžąęșțğİı €£", "ΑΒΓΔΛΥΤάέήίόύώςαβγδλ ", "АБВГДУТЧьъыюяїєґ "
        };
        Random random = new Random(11);
        for (int i = 0; i < 400; i++) {
            String alphabet = alphabets[i % alphabets.length];
            StringBuilder text = new StringBuilder();
            for (int n = 0; n < 1 + random.nextInt(60); n++)
                text.append(alphabet.charAt(random.nextInt(alphabet.length())));
            double laidOut = new TextLayout(text.toString(), font, context).getAdvance();
            assertThat(face.width(text.toString(), 20)).as(text.toString()).isCloseTo(laidOut, within(0.25));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "'', 0",
        "カヤック, 80",
        "👍, 24.95",
        "👍🏽, 24.95",
        "👩‍👩‍👧, 24.95",
        "🇬🇧, 24.95",
        "🇬🇧🇫🇷, 49.9",
    })
    void countsWhatTheFaceLacksAsDocumented(String text, double px) {
        assertThat(face.width(text, 20)).isCloseTo(px, within(0.02));
    }

    @Test
    void combiningMarksAndJoinersTakeNoRoom() {
        assertThat(face.width("cafe\u0301", 20)).isEqualTo(face.width("café", 20));
        assertThat(face.width("ka\u200Byak", 20)).isCloseTo(face.width("kayak", 20), within(0.3));
        assertThat(face.width("a\tb", 20)).isEqualTo(face.width("a b", 20));
    }

    @Test
    void widthIsProportionalToSize() {
        String text = "Wooden kayaks, built to order";
        assertThat(face.width(text, 14) / 14).isCloseTo(face.width(text, 20) / 20, within(1e-9));
    }
}
