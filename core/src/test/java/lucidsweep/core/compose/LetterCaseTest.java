package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Language;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Letter cases over texts of odd letters, against what a pattern says of words. */
class LetterCaseTest {

    private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}\\p{M}'’]+");
    private static final Names NONE = Names.of(List.of());
    private static final Language ENGLISH = Language.of("en");
    private static final String LETTERS = "aZéßЖχ中٣½²Ⅳ'’ -–.!?\n\u0301\u20dd\u00a0\uD83D\uDEF6\uD801\uDC28";

    private static List<String> texts(long seed) {
        Random random = new Random(seed);
        int[] letters = LETTERS.codePoints().toArray();
        return random.ints(300, 0, 24)
                .mapToObj(length -> random.ints(length, 0, letters.length)
                        .mapToObj(i -> Character.toString(letters[i]))
                        .collect(Collectors.joining()))
                .toList();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void wordsAreWhatThePatternSays(long seed) {
        for (String text : texts(seed)) {
            String upper = WORD.matcher(text).replaceAll(word -> word.group().toUpperCase(Locale.ROOT));
            assertThat(LetterCase.UPPER.apply(text, NONE, ENGLISH)).isEqualTo(upper);
            String lower = WORD.matcher(text).replaceAll(word -> word.group().toLowerCase(Locale.ROOT));
            assertThat(LetterCase.LOWER.apply(text, NONE, ENGLISH)).isEqualTo(lower);
        }
    }

    /** Whatever the case, only letters change, and a second time changes nothing. */
    @ParameterizedTest
    @EnumSource(LetterCase.class)
    void aCaseIsPutOnceAndKeepsWhatStandsBetween(LetterCase letterCase) {
        for (String text : texts(7)) {
            String once = letterCase.apply(text, NONE, ENGLISH);
            assertThat(WORD.matcher(once).replaceAll("x"))
                    .isEqualTo(WORD.matcher(text).replaceAll("x"));
            assertThat(letterCase.apply(once, NONE, ENGLISH)).isEqualTo(once);
        }
    }
}
