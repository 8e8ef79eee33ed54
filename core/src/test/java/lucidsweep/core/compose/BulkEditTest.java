package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Edits that are applied twice by accident, to texts that nobody foresaw. */
class BulkEditTest {

    private static final Standard.TextLimits TITLE = Standard.ofPages().title();
    private static final Standard.TextLimits DESCRIPTION = Standard.ofPages().description();
    private static final String[] WORDS = {
        "kayak",
        "Kayak hire",
        "sea-kayak",
        "|",
        "–",
        "(",
        ")",
        "and",
        "the",
        "&",
        "Gull",
        "🛶",
        "👩‍👩‍👧",
        "漢字",
        ",",
        ";",
        ".",
        "«",
        "WWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWWW",
        "für",
        "of",
        "$1",
        "\\",
        "gift"
    };

    static Stream<BulkEdit> edits() {
        return Stream.of(
                new BulkEdit.AddBefore("New: "),
                new BulkEdit.AddAfter(" | Tarrin Bay"),
                new BulkEdit.RemoveBeginning("Gull "),
                new BulkEdit.RemoveEnding(" gift"),
                new BulkEdit.CutToFit(TITLE),
                new BulkEdit.CutToFit(DESCRIPTION),
                new BulkEdit.ChangeCase(LetterCase.UPPER, Names.of(List.of("Gull")), Language.of("en")),
                new BulkEdit.ChangeCase(LetterCase.LOWER, Names.of(List.of("Gull")), Language.of("en")),
                new BulkEdit.ChangeCase(LetterCase.SENTENCE, Names.of(List.of("Gull")), Language.of("en")),
                new BulkEdit.ChangeCase(LetterCase.TITLE, Names.of(List.of("Gull")), Language.of("en")),
                new BulkEdit.AddTags(List.of("oar", "sea kayak")),
                new BulkEdit.RemoveTags(List.of("sea kayak", "gift")),
                new BulkEdit.ReplaceTag("gift", "present"),
                BulkEdit.Replace.of("gift", "present", false, false));
    }

    @ParameterizedTest
    @MethodSource("edits")
    void onceIsEnough(BulkEdit edit) {
        Random random = new Random(41);
        int changed = 0;
        for (int round = 0; round < 500; round++) {
            String text = text(random);
            String once = edit.apply(text);
            // A beginning or ending may stand twice; each time takes one away.
            if (!(edit instanceof BulkEdit.RemoveEnding || edit instanceof BulkEdit.RemoveBeginning))
                assertThat(edit.apply(once)).as(text).isEqualTo(once);
            if (!once.equals(text)) changed++;
            if (edit instanceof BulkEdit.CutToFit cut) {
                assertThat(cut.limits().fits(once, Graphemes.count(once)))
                        .as(once)
                        .isTrue();
                assertThat(once.equals(text) || text.startsWith(once)).as(once).isTrue();
            }
        }
        assertThat(changed).as(edit + " changed something").isPositive();
    }

    @ParameterizedTest
    @CsvSource({
        "Kayak hire and, Kayak hire",
        "Kayak hire – with the, Kayak hire",
        "Kayak hire (by, Kayak hire",
        "Kayak hire (by the day), Kayak hire (by the day)",
        "'Kayaks, paddles,', 'Kayaks, paddles'",
        "Tours | , Tours",
        "and of the, ''",
        "'(all of it', (all of it",
        "Kayak 🛶, Kayak 🛶",
        "Der Steg und die, Der Steg",
    })
    void nothingIsLeftDangling(String text, String trimmed) {
        assertThat(Trim.end(text)).isEqualTo(trimmed);
    }

    @ParameterizedTest
    @CsvSource({
        "'a,b', a$1, false, 'a$1,b'",
        "'aa', '$0$0', true, 'aaaa'",
        "'A', '\\$', true, '$'",
        "'a', '', false, ''",
    })
    void replacementsAreTakenAtTheirWord(String text, String with, boolean regex, String expected) {
        assertThat(BulkEdit.Replace.of("a", with, regex, false).apply(text)).isEqualTo(expected);
    }

    @ParameterizedTest
    @ValueSource(strings = {"(.+)(.+)(.+)(.+)\\1c", "(?:.*b){12}c", "(?:a|b)*c"})
    void patternsThatNeverEndAreEnded(String pattern) {
        BulkEdit edit = BulkEdit.Replace.of(pattern, "", true, true);
        assertThatThrownBy(() -> edit.apply("ab".repeat(10_000))).isInstanceOf(RunawayPattern.class);
    }

    private static String text(Random random) {
        StringBuilder text = new StringBuilder(WORDS[random.nextInt(WORDS.length)]);
        for (int n = random.nextInt(14); n > 0; n--)
            text.append(random.nextInt(4) == 0 ? ", " : " ").append(WORDS[random.nextInt(WORDS.length)]);
        if (random.nextInt(5) == 0) text.append(", gift");
        return text.toString();
    }
}
