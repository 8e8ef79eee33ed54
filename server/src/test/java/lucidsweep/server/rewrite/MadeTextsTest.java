package lucidsweep.server.rewrite;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class MadeTextsTest {

    private static final String[] PIECES = {"kayak ", "Führung ", "漢字", "👩‍👩‍👧 ", "€45", "", "a", " – "};

    /** Whatever the texts, and wherever a block of memory ends: each comes back as it was. */
    @Test
    void everyTextComesBack() {
        Random random = new Random(23);
        MadeTexts made = new MadeTexts();
        Map<Long, String> wanted = new TreeMap<>();
        long id = 4_000_000_000L;
        for (int i = 0; i < 20_000; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(i % 997 == 0 ? 9_000 : 12); n > 0; n--) text.append(PIECES[random.nextInt(8)]);
            id += 1 + random.nextInt(3);
            made.add(id, text.toString());
            wanted.put(id, text.toString());
        }
        assertThat(made.isWhole()).isTrue();
        assertThat(made.ids())
                .containsExactly(
                        wanted.keySet().stream().mapToLong(Long::longValue).toArray());
        wanted.forEach((each, text) -> assertThat(made.of(each)).isEqualTo(text));
        assertThat(made.of(3L)).as("one that was not added").isNull();
        assertThat(made.weight()).isLessThan(4_000_000);
    }

    /** Where they would take too much memory none are kept, and that is said. */
    @Test
    void tooManyAreNotKept() {
        MadeTexts made = new MadeTexts();
        String text = "x".repeat(1_000_000);
        for (int i = 1; i <= 70; i++) made.add(i, text);
        assertThat(made.isWhole()).isFalse();
        assertThat(made.of(1)).isNull();
        assertThat(made.weight()).isLessThan(1_000_000);
    }
}
