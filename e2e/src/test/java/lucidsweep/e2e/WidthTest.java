package lucidsweep.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Random;
import lucidsweep.core.text.MetricFace;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/** What core measures is what Chromium lays out, within 0.5 px, on a thousand varied lines. */
@ExtendWith(Started.class)
@Execution(ExecutionMode.SAME_THREAD)
class WidthTest {

    private static final String[] ALPHABETS = {
        "abcdefghijklmnopqrstuvwxyzAVWTYLPFKR ,.!?:;–—|&'’“”()/-+0123456789",
        "AVAWAYTOTaTeToLTLYPAFAKOVaVoWeYoYp. ,17 71 11 fi fl ffi",
        "àáâãäåæçèéêëìíîïñòóôõöøùúûüýÿßŁłŞşČčŽžĀāĒēŐőŰűİıĞğ ÀÉÖÜ",
        "ΑΒΓΔΕΖΗΘΙΚΛΜΝΞΟΠΡΣΤΥΦΧΨΩαβγδεζηθικλμνξοπρστυφχψωςάέήίόύώ ",
        "АБВГДЕЖЗИЙКЛМНОПРСТУФХЦЧШЩЪЫЬЭЮЯабвгдежзийклмнопрстуфхцчшщъыьэюяёіїєґ "
    };

    @Test
    void agreesWithChromium(Started.Stage stage) throws IOException {
        List<String> lines = lines();
        String face = Base64.getEncoder().encodeToString(Files.readAllBytes(Path.of("../core/face/Arimo-Regular.ttf")));
        try (Page page = stage.browser().newPage()) {
            page.setContent("<style>@font-face{font-family:M;src:url(data:font/ttf;base64," + face
                    + ")}span{font-family:M;position:absolute;white-space:pre}</style><span id=s></span>");
            page.evaluate("document.fonts.load('20px M')");
            for (int size : new int[] {14, 20}) {
                @SuppressWarnings("unchecked")
                List<Number> widths = (List<Number>) page.evaluate(
                        "([lines, size]) => { const s = document.getElementById('s'); s.style.fontSize = size + 'px';"
                                + " return lines.map(l => { s.textContent = l; return s.getBoundingClientRect().width; }); }",
                        List.of(lines, size));
                for (int i = 0; i < lines.size(); i++) {
                    assertThat(MetricFace.arimo().width(lines.get(i), size))
                            .as(lines.get(i))
                            .isCloseTo(widths.get(i).doubleValue(), within(0.5));
                }
            }
        }
    }

    private static List<String> lines() {
        Random random = new Random(1);
        List<String> lines = new ArrayList<>();
        while (lines.size() < 1_000) {
            String alphabet = ALPHABETS[lines.size() % ALPHABETS.length];
            boolean mixed = lines.size() % 3 == 0;
            StringBuilder line = new StringBuilder();
            for (int n = 5 + random.nextInt(90); n > 0; n--) {
                if (mixed && random.nextInt(5) == 0) alphabet = ALPHABETS[random.nextInt(ALPHABETS.length)];
                line.append(alphabet.charAt(random.nextInt(alphabet.length())));
            }
            lines.add(line.toString().strip());
        }
        return lines;
    }
}
