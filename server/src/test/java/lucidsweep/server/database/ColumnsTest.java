package lucidsweep.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ColumnsTest {

    private record Line(long id, String text, Integer count) {}

    @Test
    void rowsBecomeOneArrayAColumn() {
        assertThat(Columns.of(List.of(new Line(1, "oar", 3), new Line(2, null, null))))
                .containsOnlyKeys("id", "text", "count")
                .containsEntry("id", new Object[] {1L, 2L})
                .containsEntry("text", new Object[] {"oar", null})
                .containsEntry("count", new Object[] {3, null});
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "1, 2147483647", "7, 1", "900000, 2147483647"})
    void anIdOfARangeKnowsItsOwner(long owner, long place) {
        IdRange range = IdRange.of(owner);
        long id = IdRange.id(owner, place);
        assertThat(id).isBetween(range.first(), range.last());
        assertThat(IdRange.owner(id)).isEqualTo(owner);
        assertThat(IdRange.of(owner + 1).first()).isEqualTo(range.last() + 1);
    }
}
