package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;

/** The quick ways give what the plain ways give. */
class CopyTextTest {

    private static final String LETTERS = "ab  \n\t\r\u00A0\u2028é漢.";

    private static String random(Random random, int max) {
        StringBuilder text = new StringBuilder();
        for (int n = random.nextInt(max + 1); n > 0; n--) text.append(LETTERS.charAt(random.nextInt(LETTERS.length())));
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
            String piece = random(random, 90);
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
        int max = 1 + random.nextInt(40);
        CopyText copy = new CopyText(max);
        List<String> pieces = new ArrayList<>();
        for (int n = 0; n < 6; n++) {
            String piece = random(random, 20);
            pieces.add(piece);
            copy.append(piece);
        }
        assertThat(copy.toString()).hasSizeLessThanOrEqualTo(max);
        assertThat(plainly(pieces)).startsWith(copy.toString());
    }
}
