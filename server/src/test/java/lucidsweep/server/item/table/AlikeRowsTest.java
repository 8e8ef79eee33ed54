package lucidsweep.server.item.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rows by hash against a plain map, while rows come and change. */
class AlikeRowsTest {

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 40, 5_000})
    void everyRowIsFoundByTheHashItHas(int begun) {
        Random random = new Random(begun);
        // Some that meet in one place although they differ.
        long[] hashes = {0, 1, 1L << 32, 1L << 33 | 2, -1, Long.MIN_VALUE, 77, 77L << 20};
        long[] column =
                random.longs(begun, 0, hashes.length).map(i -> hashes[(int) i]).toArray();
        AlikeRows rows = new AlikeRows(column, begun);
        Map<Integer, Long> plain = new HashMap<>();
        for (int row = 0; row < begun; row++) plain.put(row, column[row]);
        int size = begun;
        for (int change = 0; change < 400; change++) {
            int row = size == 0 || random.nextInt(3) == 0 ? size++ : random.nextInt(size);
            long hash = hashes[random.nextInt(hashes.length)];
            rows.set(row, hash);
            plain.put(row, hash);
            if (change % 20 == 0) for (long each : hashes) assertSame(rows, plain, each);
        }
        assertThat(plain).hasSize(size);
    }

    private static void assertSame(AlikeRows rows, Map<Integer, Long> plain, long hash) {
        Set<Integer> wanted = new TreeSet<>();
        if (hash != 0)
            plain.forEach((row, own) -> {
                if (own == hash) wanted.add(row);
            });
        Set<Integer> found = new TreeSet<>();
        rows.forEach(
                hash,
                row -> assertThat(found.add(row)).as("row " + row + " once").isTrue());
        assertThat(found).as("hash " + hash).isEqualTo(wanted);
    }
}
