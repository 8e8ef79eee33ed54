package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import lucidsweep.core.keyword.PhraseCounts.Place;
import org.junit.jupiter.api.Test;

class PhraseCountsTest {

    private static final Words ENGLISH = Words.in("en");

    @Test
    void countsPhrasesOfUpToThreeWordsAndSaysWhereTheyStand() {
        ItemTexts texts = new ItemTexts(
                "Kayak hire in Fennick",
                "Kayak hire",
                "",
                "",
                "kayak hire",
                "Our kayaks are for hire. Kayak hire in Fennick is easy. Hire a kayak, hire a kayak!");
        List<PhraseCounts.PhraseCount> counts = PhraseCounts.of(texts, "kayak hire", ENGLISH);
        PhraseCounts.PhraseCount hire = find(counts, "Kayak hire");
        assertThat(hire.count()).isEqualTo(4);
        assertThat(hire.places()).isEqualTo(Set.of(Place.TITLE, Place.HEADING, Place.COPY, Place.LINK));
        assertThat(hire.target()).isTrue();
        assertThat(hire.linked()).isTrue();
        assertThat(hire.share()).isEqualTo(8 / 25.0);
        assertThat(find(counts, "Kayak").count()).as("in every form").isEqualTo(7);
        assertThat(find(counts, "Fennick").target()).isFalse();
        assertThat(find(counts, "Hire a kayak").count()).isEqualTo(2);
        assertThat(counts)
                .as("not over the end of a sentence, not with empty words at the ends, not once")
                .noneMatch(count -> count.text().matches("(?i)hire\\W+kayak hire|.* in|in .*|easy.+"));
    }

    @Test
    void anEmptyItemHasNoneAndALongOneIsCutShort() {
        assertThat(PhraseCounts.of(new ItemTexts("", "", "", "", "", ""), "", ENGLISH))
                .isEmpty();
        StringBuilder copy = new StringBuilder();
        for (int i = 0; i < 20_000; i++) copy.append("word").append(i % 500).append(i % 7 == 0 ? ". " : " ");
        ItemTexts texts = new ItemTexts("", "", "", "", "", copy.toString());
        assertThat(PhraseCounts.of(texts, "", ENGLISH)).hasSize(60).noneMatch(PhraseCounts.PhraseCount::target);
    }

    private static PhraseCounts.PhraseCount find(List<PhraseCounts.PhraseCount> counts, String text) {
        return counts.stream()
                .filter(count -> count.text().equals(text))
                .findFirst()
                .orElseThrow();
    }
}
