package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import java.util.List;
import java.util.OptionalLong;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeywordTest {

    private static final Words ENGLISH = Words.in("en-GB");

    @ParameterizedTest
    @CsvSource({
        "Kayak hire in Tarrin Bay, kayak hire, true, 0, ''",
        "Hire of kayaks, kayak hire, false, 0, ''",
        "Our boats: KAYAKS’ hire, kayak hire, true, 2, ''",
        "Canoe hire, kayak hire gull cove, false, 1, kayak gull cove",
        "Hire a kayak, the kayak for hire, false, 0, ''",
        "Kayak and hire, kayak hire, true, 0, ''",
        "Nothing here, kayak, false, -1, kayak",
    })
    void saysHowATextHoldsAPhrase(String text, String phrase, boolean exact, int startsAt, String missing) {
        PhraseMatch match = PhraseMatch.of(ENGLISH.of(text), Phrase.of(phrase, ENGLISH));
        assertThat(match.exact()).isEqualTo(exact);
        assertThat(match.startsAt()).isEqualTo(startsAt);
        assertThat(String.join(" ", match.missing())).isEqualTo(missing);
        assertThat(match.present()).isEqualTo(missing.isEmpty());
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

    @Test
    void eachKeywordFindsItsHome() {
        TargetFinder finder = finder("kayak hire", "kayak hire gull cove", "canoe repair", "wind turbine");
        finder.item(1, item("Kayak hire on Tarrin Bay", "Kayak hire", "links to kayak hire"));
        finder.item(2, item("Kayak hire in Gull Cove", "Kayak hire in Gull Cove", ""));
        finder.item(3, item("Our workshop", "Repairs", "canoe repair, a canoe repaired"));
        finder.item(4, item("Legal", "Legal", "wind turbine"));
        List<Target> targets = finder.targets(List.of(), List.of());
        assertThat(targets)
                .extracting(Target::item, Target::keyword)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple(2L, 1),
                        org.assertj.core.groups.Tuple.tuple(1L, 0),
                        org.assertj.core.groups.Tuple.tuple(3L, 2),
                        org.assertj.core.groups.Tuple.tuple(4L, 3));
        assertThat(targets.get(0).reason()).contains("title").contains("H1");
        assertThat(targets).allSatisfy(target -> assertThat(target.score()).isBetween(0.0, 1.0));
    }

    @Test
    void whatIsSettledByHandIsLeftAlone() {
        TargetFinder finder = finder("kayak hire", "kayak lesson");
        finder.item(1, item("Kayak hire and kayak lessons", "Kayak hire", ""));
        finder.item(2, item("Kayak hire prices", "Prices of kayak hire", ""));
        assertThat(finder.targets(Set.of(1L), Set.of()))
                .extracting(Target::item)
                .containsExactly(2L);
        assertThat(finder.targets(Set.of(), Set.of(0)))
                .extracting(Target::keyword)
                .containsExactly(1);
    }

    @Test
    void keywordsComeBeforeItems() {
        TargetFinder finder = finder("kayak");
        finder.item(1, item("Kayak", "Kayak", ""));
        assertThatIllegalStateException().isThrownBy(() -> finder.keyword("late", 0));
    }

    private static TargetFinder finder(String... keywords) {
        TargetFinder finder = new TargetFinder(ENGLISH);
        for (String keyword : keywords) finder.keyword(keyword, 100);
        return finder;
    }

    private static ItemTexts item(String title, String h1, String linkTexts) {
        return new ItemTexts(title, h1, "", "", linkTexts, "");
    }
}
