package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Common beginnings and endings against counting every one of every text. */
class CommonPartTest {

    private static final Slot TITLE = new Slot(20, 580, 1);
    private static final String[] WORDS = {"|", "Tarrin", "Bay", "Kayaks", "–", "hire", "tours"};

    @ParameterizedTest
    @EnumSource
    void everyPartIsCountedRightAndNoneIsMissed(CommonPart.Side side) {
        Random random = new Random(21);
        boolean any = false;
        for (int round = 0; round < 60; round++) {
            List<String> texts = texts(random, side);
            Map<String, Integer> counts = new HashMap<>();
            CommonPart.Finder finder = new CommonPart.Finder(side);
            for (String text : texts) {
                finder.add(text);
                parts(text, side).forEach(part -> counts.merge(part, 1, Integer::sum));
            }
            List<CommonPart> found = finder.common(0.2, 60, TITLE);
            any |= !found.isEmpty();
            int min = Math.max(3, (int) Math.ceil(0.2 * texts.size()));
            for (CommonPart part : found) {
                assertThat(part.count()).as(part.text()).isEqualTo(counts.get(part.text()));
                assertThat(part.count()).isGreaterThanOrEqualTo(min);
                assertThat(part.px()).isGreaterThanOrEqualTo(60);
            }
            counts.forEach((part, count) -> {
                if (count < min || TITLE.width(part) < 60) return;
                int longer = 0;
                for (CommonPart other : found) {
                    boolean outermost = found.stream()
                            .noneMatch(between -> between != other
                                    && side.has(between.text(), part)
                                    && side.has(other.text(), between.text()));
                    if (side.has(other.text(), part) && outermost) longer += other.count();
                }
                assertThat(longer)
                        .as("“%s” is on %d of %d texts in %s", part, count, texts.size(), found)
                        .isGreaterThan(count - min);
            });
        }
        assertThat(any).isTrue();
    }

    /** Every part of a text that could be common; of beginnings those that a separator sets off. */
    private static List<String> parts(String text, CommonPart.Side side) {
        List<String> parts = new ArrayList<>();
        for (int space = text.indexOf(' '); space >= 0; space = text.indexOf(' ', space + 1)) {
            if (side == CommonPart.Side.END) parts.add(text.substring(space));
            else if ("|–".indexOf(text.charAt(space - 1)) >= 0) parts.add(text.substring(0, space + 1));
        }
        return parts;
    }

    /** Past its bound the trie forgets what came once; what is common stays. */
    @Test
    void millionsOfDifferentTextsDoNotHideACommonEnding() {
        CommonPart.Finder finder = new CommonPart.Finder(CommonPart.Side.END);
        for (int i = 0; i < 60_000; i++)
            finder.add("Boat " + i + " of " + i * 7 + " in " + i * 31 + " by " + i * 17
                    + (i % 3 == 0 ? " | Tarrin Bay" : ""));
        assertThat(finder.common(0.2, 60, TITLE)).singleElement().satisfies(ending -> {
            assertThat(ending.text()).isEqualTo(" | Tarrin Bay");
            assertThat(ending.count()).isEqualTo(20_000);
        });
    }

    private static List<String> texts(Random random, CommonPart.Side side) {
        List<String> texts = new ArrayList<>();
        for (int n = 5 + random.nextInt(40); n > 0; n--) {
            StringBuilder text = new StringBuilder("Page" + n);
            for (int words = random.nextInt(5); words > 0; words--)
                text.append(' ').append(WORDS[random.nextInt(WORDS.length)]);
            if (random.nextInt(3) == 0) text.append(" | Tarrin Bay Kayaks");
            List<String> words = Arrays.asList(text.toString().split(" "));
            if (side == CommonPart.Side.START) Collections.reverse(words);
            texts.add(String.join(" ", words));
        }
        return texts;
    }
}
