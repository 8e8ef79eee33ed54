package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import lucidsweep.core.text.WordDifference.Fate;
import lucidsweep.core.text.WordDifference.WordRun;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WordDifferenceTest {

    private static final String[] WORDS = {"kayak", "hire", "–", "Otter", "Point", "a", "the", "|", "2026"};

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            quoteCharacter = '"',
            value = {
                "Hire a kayak; Hire a double kayak; Hire a [+double ]kayak",
                "Hire a kayak; Hire a kayak; Hire a kayak",
                "Kayaks | Bay; Kayaks – Bay; Kayaks [-| ][+– ]Bay",
                "\"\"; New title; [+New title]",
                "Old title; \"\"; [-Old title]",
                "Tours to Otter Point by kayak; Kayak tours to Otter Point; [-Tours ][+Kayak tours ]to Otter Point[- by kayak]",
            })
    void whatCameAndWhatWent(String before, String after, String expected) {
        assertThat(written(WordDifference.of(before, after))).isEqualTo(expected);
    }

    @Test
    void bothTextsComeBackFromThePieces() {
        Random random = new Random(8);
        for (int round = 0; round < 500; round++) {
            String before = text(random);
            String after = text(random);
            List<WordRun> pieces = WordDifference.of(before, after);
            assertThat(without(pieces, Fate.CAME)).isEqualTo(before);
            assertThat(without(pieces, Fate.WENT)).isEqualTo(after);
            for (int i = 1; i < pieces.size(); i++) {
                assertThat(pieces.get(i).fate()).isNotEqualTo(pieces.get(i - 1).fate());
            }
        }
    }

    @Test
    void textsOfAnyLengthAreTakenApart() {
        String before = "Start. " + "kayak hire ".repeat(20_000) + "End.";
        String after = "Start. " + "kayak tour ".repeat(20_000) + "End.";
        List<WordRun> pieces = WordDifference.of(before, after);
        assertThat(without(pieces, Fate.CAME)).isEqualTo(before);
        assertThat(pieces.get(0)).isEqualTo(new WordRun(Fate.SAME, "Start. kayak "));
    }

    private static String text(Random random) {
        int length = random.nextInt(12);
        return random.ints(length, 0, WORDS.length).mapToObj(i -> WORDS[i]).collect(Collectors.joining(" "));
    }

    private static String without(List<WordRun> pieces, Fate fate) {
        return pieces.stream()
                .filter(piece -> piece.fate() != fate)
                .map(WordRun::text)
                .collect(Collectors.joining());
    }

    private static String written(List<WordRun> pieces) {
        return pieces.stream()
                .map(piece -> switch (piece.fate()) {
                    case SAME -> piece.text();
                    case WENT -> "[-" + piece.text() + "]";
                    case CAME -> "[+" + piece.text() + "]";
                })
                .collect(Collectors.joining());
    }
}
