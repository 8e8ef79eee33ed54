package lucidsweep.core.aim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.compose.LearntNames;
import lucidsweep.core.compose.Names;
import lucidsweep.core.compose.PageProposal;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PagesToAddTest {

    private static final Words ENGLISH = Words.in("en");
    private static final PlacesNamed PLACES = new PlacesNamed(List.of("Gull Cove", "Gull", "Fennick", ""));

    @ParameterizedTest
    @CsvSource({
        "kayak hire gull cove, Gull Cove",
        "GULL-COVE kayaks, Gull Cove",
        "gull watching, Gull",
        "gulls, ''",
        "fennicks, ''",
    })
    void findsThePlaceThatAPhraseNames(String phrase, String place) {
        assertThat(PLACES.in(phrase)).isEqualTo(place);
    }

    @Test
    void keywordsShareAPageWhereTheyShareTopicPlaceAndAWordBesides() {
        List<String> texts = List.of(
                "canoe trip gull cove",
                "canoe hire gull cove",
                "birds gull cove",
                "canoe trip fennick",
                "gull cove",
                "fennick");
        Gaps gaps = new Gaps(
                texts.stream().map(text -> Phrase.of(text, ENGLISH)).toList(),
                List.of(10L, 90L, 50L, 5L, 2L, 1L),
                PLACES);
        for (int i = 0; i < texts.size(); i++) gaps.add(i, "topic 0");
        assertThat(gaps.groups())
                .extracting(Gaps.Group::keywords)
                .containsExactlyInAnyOrder(List.of(1, 0), List.of(2), List.of(4), List.of(3), List.of(5));
    }

    @Test
    void aProposedPageFitsTheStandardWhateverThePhrases() {
        Names names = Names.of(List.of("Gull Cove", "Tarrin Bay Kayaks"));
        PageProposal page = PageProposal.of(
                List.of("canoe hire gull cove", "canoe trip gull cove"),
                "Tarrin Bay Kayaks",
                names,
                ENGLISH.language(),
                Standard.ofPages());
        assertThat(page)
                .isEqualTo(new PageProposal(
                        "canoe-hire-gull-cove",
                        "Canoe hire Gull Cove – Tarrin Bay Kayaks",
                        "Canoe hire Gull Cove: canoe trip Gull Cove at Tarrin Bay Kayaks."));
        String endless = "every kind of boat that floats and some that do not in all weathers "
                .repeat(3)
                .strip();
        PageProposal cut = PageProposal.of(
                List.of(endless, endless), "Tarrin Bay Kayaks", names, ENGLISH.language(), Standard.ofPages());
        assertThat(Standard.ofPages().title().fits(cut.title(), cut.title().length()))
                .isTrue();
        assertThat(Standard.ofPages()
                        .description()
                        .fits(cut.description(), cut.description().length()))
                .isTrue();
        assertThat(cut.title())
                .startsWith("Every kind of boat")
                .doesNotEndWith(" ")
                .doesNotEndWith("and");
        assertThat(cut.slug()).hasSizeLessThanOrEqualTo(60).doesNotEndWith("-");
        assertThat(PageProposal.of(List.of("Café d’été"), "", names, ENGLISH.language(), Standard.ofPages())
                        .slug())
                .isEqualTo("cafe-dete");
        assertThat(PageProposal.of(List.of("Räucherofen für Fähren"), "", names, Language.of("de"), Standard.ofPages()))
                .isEqualTo(new PageProposal(
                        "raeucherofen-fuer-faehren", "Räucherofen für Fähren", "Räucherofen für Fähren."));
    }

    @Test
    void namesAreLearntFromTitlesThatAreNotAllCapitals() {
        LearntNames names = new LearntNames();
        List.of(
                        "Kayak hire in Gull Cove",
                        "Tours from Gull Cove in spring",
                        "The Very Best Kayak Hire",
                        "A Very Cheap Kayak Hire",
                        "Boats for Sam",
                        "Why we hire")
                .forEach(names::add);
        assertThat(names.names()).containsExactly("Cove", "Gull", "Gull Cove");
    }
}
