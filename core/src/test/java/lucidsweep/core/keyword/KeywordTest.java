package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeywordTest {

    private static final Words ENGLISH = Words.in("en-GB");

    @ParameterizedTest
    @CsvSource({
        "Kayak hire in Tarrin Bay, kayak hire, true, 0, '', AT_ITS_START",
        "Hire of kayaks, kayak hire, false, 0, '', IN_OTHER_ORDER",
        "Our boats: KAYAKS’ hire, kayak hire, true, 2, '', EXACTLY",
        "Canoe hire, kayak hire gull cove, false, 1, kayak gull cove, PARTLY",
        "Hire a kayak, the kayak for hire, false, 0, '', IN_OTHER_ORDER",
        "Kayak and hire, kayak hire, true, 0, '', AT_ITS_START",
        "Nothing here, kayak, false, -1, kayak, NOT_AT_ALL",
    })
    void saysHowATextHoldsAPhrase(
            String text, String phrase, boolean exact, int startsAt, String missing, PhraseMatch.Service service) {
        PhraseMatch match = PhraseMatch.of(ENGLISH.of(text), Phrase.of(phrase, ENGLISH));
        assertThat(match.exact()).isEqualTo(exact);
        assertThat(match.startsAt()).isEqualTo(startsAt);
        assertThat(String.join(" ", match.missing())).isEqualTo(missing);
        assertThat(match.present()).isEqualTo(missing.isEmpty());
        assertThat(match.service(2)).isEqualTo(service);
    }

    @Test
    void stemsByLanguage() {
        assertThat(Phrase.of("die Boote", Words.in("de")).key())
                .isEqualTo(Phrase.of("Boot", Words.in("de")).key());
        assertThat(Phrase.of("the kayaks", ENGLISH).key()).isEqualTo("kayak");
        assertThat(Phrase.of("the of", ENGLISH).words()).hasSize(2);
        assertThat(Words.in("fi").of("Veneet järvellä")).extracting(Word::stem).containsExactly("veneet", "järvellä");
        assertThat(ENGLISH.of("Sea kayak")).extracting(Word::start).containsExactly(0, 4);
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "1300, 1300", "'1,300', 1300", "1 300, 1300", "1.3K, 1300", "'1,3k', 1300", "1300.0, 1300", "<10, 10",
                        "1M, 1000000",
                "100 – 1K, 550", "'12,345,678', 12345678", "0, 0", "'', none", "n/a, none", "'-', none", "kayak, none",
                        "1.2.3, none",
            })
    void readsVolumesAsListsWriteThem(String text, Long volume) {
        assertThat(Volume.parse(text)).isEqualTo(volume == null ? OptionalLong.empty() : OptionalLong.of(volume));
    }
}
