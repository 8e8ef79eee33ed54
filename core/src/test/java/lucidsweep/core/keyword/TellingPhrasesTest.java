package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TellingPhrasesTest {

    private static final TellingPhrases PHRASES = new TellingPhrases(Words.in("en"));

    static {
        for (String what : "hire tours lessons workshop prices storage".split(" ")) {
            for (String where : "Gull Cove,Marsh Quay,Old Slip".split(",")) {
                PHRASES.add("Kayak " + what + " in " + where + " | Tarrin Bay Kayaks");
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        // What every title says tells nothing, what the H1 says of this page does.
        "Kayak hire | Tarrin Bay Kayaks, Two-seater kayaks, Our two-seater kayaks are wide, Two-seater",
        "Tarrin Bay Kayaks, Cedar strip kits, Build a kayak from cedar strip, Cedar strip",
        // Rare words of the copy count where the title has none.
        "Kayak | Tarrin Bay Kayaks, Kayaks, Seals rest here. Watch the seals., Seals",
        // A phrase neither begins nor ends with a word that says nothing, nor runs over a comma.
        "'Moon, and stars of the bay', '', '', Moon",
        "Kayak, '', '', Kayak",
        "'The 24', '', of and, ''",
    })
    void tellsWhatThePageIsAbout(String title, String h1, String copy, String telling) {
        assertThat(PHRASES.of(title, h1, copy)).isEqualTo(telling);
    }
}
