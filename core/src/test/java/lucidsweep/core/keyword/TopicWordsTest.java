package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class TopicWordsTest {

    private static final Words WORDS = Words.in("en");

    @Test
    void aTopicThatWasNamedAsAWholeGoesOnUnderItsName() {
        List<Phrase> keywords = List.of("kayak hire", "hire a kayak", "kayak rental", "oars", "canoe hire").stream()
                .map(text -> Phrase.of(text, WORDS))
                .toList();
        int[] workedOut = {0, 0, 0, 3, 0};
        assertThat(NamedTopics.of(keywords, workedOut, Map.of()))
                .containsExactly("kayak hire", "kayak hire", "kayak hire", "oars", "kayak hire");
        assertThat(NamedTopics.of(keywords, workedOut, Map.of(0, "boats", 1, "boats", 2, "boats")))
                .as("what joins it later follows")
                .containsExactly("boats", "boats", "boats", "oars", "boats");
        assertThat(NamedTopics.of(keywords, workedOut, Map.of(0, "boats", 4, "canoes")))
                .as("one that was divided is not one any more")
                .containsExactly("boats", "kayak hire", "kayak hire", "oars", "canoes");
        assertThat(NamedTopics.of(keywords, workedOut, Map.of(0, "boats", 1, "boats")))
                .as("half is not more than half")
                .containsExactly("boats", "boats", "kayak hire", "oars", "kayak hire");
    }

    @Test
    void wordsOfASubjectAreThoseTheOthersDoNotUse() {
        TellingWords telling = new TellingWords(WORDS);
        for (int i = 0; i < 10; i++) {
            telling.about("Guided tour " + i + ", the seals " + (i % 2 == 0 ? "rest" : "sleep")
                    + " at low tide. Bring a dry bag" + (i < 3 ? ", binoculars" : ""));
            telling.other("Paddle " + i + " of ash. Bring a dry bag to the workshop");
            telling.other("Prices of hire, and how to book a kayak");
        }
        List<TellingWords.Telling> strongest = telling.strongest(10, Set.of("guide", "tour"));
        assertThat(strongest).extracting(TellingWords.Telling::text).contains("seals", "low tide", "binoculars");
        assertThat(strongest)
                .extracting(TellingWords.Telling::text)
                .doesNotContain("tour", "guided tour", "dry bag", "bag", "paddle", "low", "0");
        assertThat(strongest.get(strongest.size() - 1).text())
                .as("the rarest last")
                .isEqualTo("binoculars");
        assertThat(strongest.get(strongest.size() - 1).texts()).isEqualTo(3);
        assertThat(strongest).isSortedAccordingTo((a, b) -> Double.compare(b.weight(), a.weight()));
        assertThat(new TellingWords(WORDS).strongest(5, Set.of())).isEmpty();
    }

    @Test
    void aSingleTextTellsWhatItUsesMost() {
        TellingWords telling = new TellingWords(WORDS);
        telling.about("Seal watching");
        assertThat(telling.strongest(5, Set.of("seal")))
                .extracting(TellingWords.Telling::text)
                .containsExactly("Seal watching");
    }
}
