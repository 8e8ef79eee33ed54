package lucidsweep.core.writer;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PageWordsTest {

    private static final String PAGE = "Our fleet of 24 boats costs £18 for two hours, or £45.00 a day. "
            + "Of 60 bikes 15 are electric. The trip takes 3 hours. Save 10 percent on Mondays. "
            + "Open 9:00 to 18:30. Built in 1987. A crew of twelve. Chapters: sanding 3:15. It weighs 1,250 kg.";

    /** Whether a text may say a number, since the page says it of the same thing. */
    @ParameterizedTest
    @CsvSource({
        "24 boats, true",
        "25 boats, false",
        "24 kayaks, true",
        "£18, true",
        "18 boats, false",
        "£24, false",
        "18 pounds, true",
        "£45, true",
        "£45.50, false",
        "two hours, true",
        "2 hours, true",
        "three hours, true",
        "4 hours, false",
        "24 hours, false",
        "15 bikes, true",
        "60 bikes, true",
        "24 bikes, false",
        "10%, true",
        "10 percent, true",
        "10 boats, false",
        "15%, false",
        "9:00, true",
        "9 am, true",
        "18:30, true",
        "since 1987, true",
        "since 1978, false",
        "12 people, true",
        "a dozen people, true",
        "1250 kg, true",
        "'1,250 kg', true",
        "1.250 kg, false",
    })
    void numbersAreWhatThePageCounts(String said, boolean allowed) {
        Words words = Words.in("en");
        PageWords page = new PageWords(new Briefing(Map.of(Input.COPY, PAGE), Map.of()), words);
        List<Amount> amounts = Amount.in(said, words);
        assertThat(amounts).as(said).hasSize(1);
        assertThat(page.has(amounts.get(0), said, words.of(said))).isEqualTo(allowed);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "en | Kayak hire with Maren Holt | Maren Holt",
                "en | Maren Holt shows you the way | Maren Holt",
                "en | Kayak hire in Gull Cove and Port Ellery | Port Ellery",
                "en | Kayak Hire in Port Ellery | Port Ellery",
                "en | Kayak Hire for Quiet Mornings | ",
                "en | Calm water. Discover the slip | ",
                "en | Approved by the BKA | BKA",
                "en | Kayak hire: Gull Cove | ",
                "de | Kajakverleih in Moosburg am See | Moosburg",
                "de | Ruhe und Freude auf dem Wasser | ",
                "fr | Location avec Julien Marchand | Julien Marchand",
            })
    void namesThatThePageDoesNotHaveAreFound(String language, String answer, String names) {
        Words words = Words.in(language);
        Briefing item = new Briefing(
                Map.of(Input.COPY, "Kayak hire at Gull Cove, by the slip. Kajakverleih am See. Location."), Map.of());
        List<String> found = new NamesInAnswer(
                        answer, words.of(answer), new PageWords(item, words), new Vocabulary(), words.language())
                .unknown();
        assertThat(found.stream().collect(Collectors.joining(", "))).isEqualTo(names == null ? "" : names);
    }

    /** A word that the property writes small elsewhere is no name, and a name that it knows is one even where capitals say nothing. */
    @ParameterizedTest
    @CsvSource({"Discover Quiet Coves, ''", "Tours to Otter Point, Otter Point"})
    void thePropertysOwnTextsTellWordsFromNames(String answer, String names) {
        Words words = Words.in("en");
        Vocabulary vocabulary = new Vocabulary();
        vocabulary.add("discover quiet coves and tours");
        vocabulary.addNames(List.of("Otter Point", "Gull Cove"));
        Briefing item = new Briefing(Map.of(Input.COPY, "Boats."), Map.of());
        assertThat(String.join(
                        ", ",
                        new NamesInAnswer(
                                        answer,
                                        words.of(answer),
                                        new PageWords(item, words),
                                        vocabulary,
                                        words.language())
                                .unknown()))
                .isEqualTo(names);
    }
}
