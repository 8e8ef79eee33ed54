package lucidsweep.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class IdRangeTest {

    @ParameterizedTest
    @CsvSource({"'', false", "7, true", "7 8 9, true", "7 9 11, true", "7 1000 2000, false"})
    void idsAreReadAsAStretchWhereTheyLieClose(String ids, boolean dense) {
        long[] sorted = ids.isEmpty()
                ? new long[0]
                : Arrays.stream(ids.split(" ")).mapToLong(Long::parseLong).toArray();
        assertThat(IdRange.isDense(sorted)).isEqualTo(dense);
    }
}
