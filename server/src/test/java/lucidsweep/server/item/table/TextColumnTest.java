package lucidsweep.server.item.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;

class TextColumnTest {

    private static final int ROWS = 3_000;

    /** Whatever is written over what, in whatever order and length, each row says what it was given last. */
    @Test
    void eachRowSaysWhatItWasGivenLast() {
        Random random = new Random(5);
        TextColumn column = new TextColumn();
        String[] plain = new String[ROWS];
        Arrays.fill(plain, "");
        for (int step = 0; step < 40_000; step++) {
            int row = random.nextInt(ROWS);
            plain[row] = text(random);
            column.set(row, plain[row]);
        }
        plain[7] = "x".repeat(1_500_000);
        column.set(7, plain[7]);
        column.set(9, null);
        plain[9] = "";
        RowComparator order = column.comparator(ROWS);
        for (int row = 0; row < ROWS; row++) {
            String folded = plain[row].toLowerCase(Locale.ROOT);
            int other = random.nextInt(ROWS);
            assertThat(column.text(row)).isEqualTo(folded);
            assertThat(column.is(row, TextColumn.folded(folded))).isTrue();
            assertThat(column.is(row, TextColumn.folded(folded + "q"))).isFalse();
            assertThat(column.contains(row, TextColumn.folded("über"))).isEqualTo(folded.contains("über"));
            byte[] a = TextColumn.folded(plain[row]);
            byte[] b = TextColumn.folded(plain[other]);
            assertThat(Integer.signum(order.compare(row, other)))
                    .isEqualTo(Integer.signum(Arrays.compareUnsigned(a, b)))
                    .isEqualTo(Integer.signum(column.plainComparator().compare(row, other)));
        }
        assertThat(column.bytes()).as("what was written over is let go").isLessThan(20_000_000);
    }

    private static String text(Random random) {
        StringBuilder text = new StringBuilder("Https://tarrin.example/");
        for (int words = random.nextInt(60); words > 0; words--)
            text.append(random.nextInt(9) == 0 ? "Über " : "Kayak" + random.nextInt(50) + " ");
        return random.nextInt(20) == 0 ? "" : text.toString();
    }
}
