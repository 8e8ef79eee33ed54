package lucidsweep.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OrderTagsTest {

    private static final OrderTags ORDER =
            new OrderTags(Words.in("en"), Map.of("sea kayak", 900.0, "kayak gift", 300.0, "oar", 300.0));

    @ParameterizedTest
    @CsvSource({
        "'oar, sea kayak, kayak gift', 'sea kayak, oar, kayak gift'",
        // Another form of the same words is searched for as much; what nobody knows keeps its order behind.
        "'lamp, kayaks sea, rope, oars', 'kayaks sea, oars, lamp, rope'",
        "'sea kayak;oar', 'sea kayak;oar'",
        "'', ''",
    })
    void theMostSearchedComeFirst(String tags, String ordered) {
        assertThat(ORDER.apply(tags)).isEqualTo(ordered);
        assertThat(ORDER.apply(ordered)).isEqualTo(ordered);
    }
}
