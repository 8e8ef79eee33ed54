package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FirstLettersTest {

    private static final List<String> STEMS = List.of(
            "kayak",
            "tour",
            "paddle",
            "cave",
            "mietet",
            "größe",
            "bateau",
            "location",
            "barca",
            "montaña",
            "łódka",
            "guided",
            "gear",
            "lesson",
            "2026",
            "hire",
            "café",
            "Über",
            "uur",
            "passeio");
    private static final List<String> ENDINGS = List.of("", "s", "es", "n", "en", "er", "x", "ing", "’s");
    private static final List<String> BETWEEN = List.of(" ", ", ", "-", "_", " | ");

    private static String madeUp(Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 2 + random.nextInt(8); i++) {
            String word = STEMS.get(random.nextInt(STEMS.size())) + ENDINGS.get(random.nextInt(ENDINGS.size()));
            text.append(random.nextInt(4) == 0 ? word.toUpperCase() : word)
                    .append(BETWEEN.get(random.nextInt(BETWEEN.size())));
        }
        return text.toString();
    }

    @Test
    void whatTheyRuleOutIsNotThereInAnyLanguage() {
        Random random = new Random(4);
        int ruledOut = 0;
        for (Language language : Language.all()) {
            Words words = Words.in(language.code());
            for (int i = 0; i < 2_000; i++) {
                String text = madeUp(random);
                FirstLetters letters = FirstLetters.of(text);
                List<Word> own = words.of(text);
                Map<String, Integer> counts = new HashMap<>();
                List<String> inARow = new ArrayList<>();
                for (int k = 0; k < own.size(); k++) {
                    counts.merge(own.get(k).stem(), 1, Integer::sum);
                    if (k > 0
                            && own.get(k).text().equalsIgnoreCase(own.get(k - 1).text())) inARow.add(text);
                }
                if (!letters.mayRepeat(2)) {
                    assertThat(inARow).isEmpty();
                    assertThat(counts.values()).as(text).allMatch(count -> count <= 2);
                    ruledOut++;
                }
                Set<String> others = words.stems(madeUp(random));
                if (!letters.mayHaveAll(others)) {
                    assertThat(words.stems(text).containsAll(others))
                            .as(text + " / " + others)
                            .isFalse();
                    ruledOut++;
                }
            }
        }
        assertThat(ruledOut).isGreaterThan(5_000);
    }

    @ParameterizedTest
    @CsvSource({
        "Sea cave tour and sea cave walk and sea kayaks, true",
        "Tour tour by kayak, true",
        "Kayak hire in Gull Cove, false",
        "Kayaks for keen kids, true",
        "Größe, true",
        "'', false"
    })
    void tellWhetherAWordMayStandOften(String text, boolean may) {
        assertThat(FirstLetters.of(text).mayRepeat(2)).isEqualTo(may);
    }
}
