package lucidsweep.server.item.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RowPackTest {

    private static final long FIRST = 7L << 31;
    private static final String[] TEXTS = {"", "Ash paddle", "Ängby – “kajak”", "\u0000\t\n", "船🛶", "x".repeat(70_000)
    };
    private static final String[] BECAME = {"new", "changed", "unchanged"};

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 99, 100})
    void rowsComeOutAsTheyWentIn(int size) {
        Random random = new Random(size);
        RowPack pack = new RowPack();
        List<ImportedRow> rows = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            ImportedRow row = new ImportedRow(
                    FIRST + i,
                    TEXTS[random.nextInt(TEXTS.length)],
                    BECAME[random.nextInt(3)],
                    random.nextLong(),
                    random.nextLong(),
                    TEXTS[random.nextInt(TEXTS.length)]);
            rows.add(row);
            pack.add(row);
        }
        assertThat(pack.size()).isEqualTo(size);
        assertThat(RowPack.rows(FIRST, pack.packed(), id -> true, true)).isEqualTo(rows);
        assertThat(RowPack.rows(FIRST, pack.packed(), id -> id % 3 == 0, false))
                .isEqualTo(rows.stream()
                        .filter(row -> row.id() % 3 == 0)
                        .map(row -> new ImportedRow(
                                row.id(), row.address(), row.became(), row.itemId(), row.captureId(), null))
                        .toList());
    }
}
