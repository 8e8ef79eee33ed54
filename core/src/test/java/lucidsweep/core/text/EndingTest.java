package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Endings against counting every suffix of every text. */
class EndingTest {

    private static final Slot TITLE = new Slot(20, 580, 1);
    private static final String[] WORDS = {"|", "Tarrin", "Bay", "Kayaks", "–", "hire", "tours"};

    @Test
    void everyEndingIsCountedRightAndNoneIsMissed() {
        Random random = new Random(21);
        for (int round = 0; round < 60; round++) {
            List<String> texts = texts(random);
            Map<String, Integer> suffixes = new HashMap<>();
            Ending.Finder finder = new Ending.Finder();
            for (String text : texts) {
                finder.add(text);
                for (int space = text.indexOf(' '); space >= 0; space = text.indexOf(' ', space + 1))
                    suffixes.merge(text.substring(space), 1, Integer::sum);
            }
            List<Ending> found = finder.common(0.2, 60, TITLE);
            int min = Math.max(3, (int) Math.ceil(0.2 * texts.size()));
            for (Ending ending : found) {
                assertThat(ending.count()).as(ending.text()).isEqualTo(suffixes.get(ending.text()));
                assertThat(ending.count()).isGreaterThanOrEqualTo(min);
                assertThat(ending.px()).isGreaterThanOrEqualTo(60);
            }
            suffixes.forEach((suffix, count) -> {
                if (count < min || TITLE.width(suffix) < 60) return;
                int longer = 0;
                for (Ending ending : found) {
                    boolean outermost = found.stream()
                            .noneMatch(other -> other != ending
                                    && other.text().endsWith(suffix)
                                    && ending.text().endsWith(other.text()));
                    if (ending.text().endsWith(suffix) && outermost) longer += ending.count();
                }
                assertThat(longer)
                        .as("“%s” ends %d of %d texts in %s", suffix, count, texts.size(), found)
                        .isGreaterThan(count - min);
            });
        }
    }

    /** Past its bound the trie forgets what came once; what is common stays. */
    @Test
    void millionsOfDifferentTextsDoNotHideACommonEnding() {
        Ending.Finder finder = new Ending.Finder();
        for (int i = 0; i < 60_000; i++)
            finder.add("Boat " + i + " of " + i * 7 + " in " + i * 31 + " by " + i * 17
                    + (i % 3 == 0 ? " | Tarrin Bay" : ""));
        assertThat(finder.common(0.2, 60, TITLE)).singleElement().satisfies(ending -> {
            assertThat(ending.text()).isEqualTo(" | Tarrin Bay");
            assertThat(ending.count()).isEqualTo(20_000);
        });
    }

    private static List<String> texts(Random random) {
        List<String> texts = new ArrayList<>();
        for (int n = 5 + random.nextInt(40); n > 0; n--) {
            StringBuilder text = new StringBuilder("Page" + n);
            for (int words = random.nextInt(5); words > 0; words--)
                text.append(' ').append(WORDS[random.nextInt(WORDS.length)]);
            texts.add(random.nextInt(3) == 0 ? text + " | Tarrin Bay Kayaks" : text.toString());
        }
        return texts;
    }
}
