package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.Normalizer;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Words stand where they are said to stand, whatever the text is written with. */
class WordsTest {

    private static final String[] PIECES = {
        "kayak", "Kayaks’", "ﬁnd", "½", "№5", "™", "…", "café", "cafe\u0301", "ＫＡＹＡＫ", "漢字", "한국", "\u1112\u1161\u11ab",
                "🛶",
        "👩‍👩‍👧", "–", "(", ")", "the", "don't", "e-bike", "5.5", "\u00A0", "\u200D", "\uD83D", "İstanbul", "straße",
                "x²"
    };

    @ParameterizedTest
    @ValueSource(strings = {"en", "de", "fr", "es", "it", "pt", "fi"})
    void placesAreThoseOfTheTextAsWritten(String language) {
        Random random = new Random(language.hashCode());
        Words words = Words.in(language);
        for (int round = 0; round < 2_000; round++) {
            StringBuilder made = new StringBuilder();
            for (int n = random.nextInt(8); n >= 0; n--)
                made.append(PIECES[random.nextInt(PIECES.length)]).append(random.nextInt(4) == 0 ? "" : " ");
            String text = made.toString();
            int before = 0;
            for (Word word : words.of(text)) {
                assertThat(word.text()).as(text).isEqualTo(text.substring(word.start(), word.end()));
                assertThat(word.start()).as(text).isGreaterThanOrEqualTo(before);
                assertThat(word.stem()).as(text).isNotBlank();
                before = word.start();
            }
            List<String> normal = words.of(Normalizer.normalize(text, Normalizer.Form.NFKC)).stream()
                    .map(Word::stem)
                    .toList();
            assertThat(words.of(text)).as(text).extracting(Word::stem).containsExactlyElementsOf(normal);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "'Wait… a kayak', kayak, 8",
        "'½ day by kayak', kayak, 9",
        "'Kayak™ and kayaks', kayaks, 11",
        "'ﬁne ﬁsh', ﬁsh, 4",
        "'cafe\u0301 kayak', kayak, 6",
    })
    void whatIsMarkedIsTheWordItself(String text, String word, int start) {
        assertThat(Words.in("en").of(text)).anySatisfy(found -> {
            assertThat(found.text()).isEqualTo(word);
            assertThat(found.start()).isEqualTo(start);
        });
    }

    @Test
    void manyThreadsMayAskAtOnce() {
        Words words = Words.in("en");
        List<String> stems =
                words.of("Guided kayak tours").stream().map(Word::stem).toList();
        assertThat(java.util.stream.IntStream.range(0, 500).parallel().mapToObj(i -> words.of("Guided kayak tours")))
                .allSatisfy(found -> assertThat(found).extracting(Word::stem).isEqualTo(stems));
    }
}
