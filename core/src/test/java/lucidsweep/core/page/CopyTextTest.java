package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The quick ways give what the plain ways give. */
class CopyTextTest {

    private static final String LETTERS = "ab  \n\t\r\u00A0\u2028é漢.";

    private static String random(Random random, int most) {
        StringBuilder text = new StringBuilder();
        for (int n = random.nextInt(most + 1); n > 0; n--)
            text.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
        return text.toString();
    }

    private static String plainly(List<String> pieces) {
        return String.join("", pieces)
                .replaceAll("[\\s\u00A0\u2028\u2029]+", " ")
                .strip();
    }

    @RepeatedTest(200)
    void spacesAreClosedUpWithinAndBetweenPieces(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        CopyText copy = new CopyText(100_000);
        List<String> pieces = new ArrayList<>();
        for (int n = random.nextInt(12); n > 0; n--) {
            String piece = random(random, 30);
            pieces.add(piece);
            copy.append(piece);
            if (random.nextBoolean()) {
                pieces.add(" ");
                copy.space();
            }
        }
        assertThat(copy.toString()).isEqualTo(plainly(pieces));
    }

    @RepeatedTest(100)
    void whatIsLongerThanTheLimitIsABeginning(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        int most = 1 + random.nextInt(40);
        CopyText copy = new CopyText(most);
        List<String> pieces = new ArrayList<>();
        for (int n = 0; n < 6; n++) {
            String piece = random(random, 20);
            pieces.add(piece);
            copy.append(piece);
        }
        assertThat(copy.toString()).hasSizeLessThanOrEqualTo(most);
        assertThat(plainly(pieces)).startsWith(copy.toString());
    }

    @ParameterizedTest
    @CsvSource({
        "/boats/kayak-hire.html", "/", "/a/../b", "/a//b", "//other.example/x", "/.hidden", "/a/.", "/a/./b", "/a%20b",
        "/a b", "/a?q=1", "tour.html", "../up", "?page=2", "/ä", "/a.b/c.", "/~user/_x-1",
                "https://other.example/a/../b",
        "mailto:a@b.example", "/x;y", "http://[bad"
    })
    void linksResolveTheSameEitherWay(String link) {
        URI base = URI.create("https://tarrin.example:8443/boats/index.html");
        assertThat(PageAddress.resolveText(base, link))
                .isEqualTo(PageAddress.resolve(base, link).map(URI::toString));
    }
}
