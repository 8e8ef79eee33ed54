package lucidsweep.core.item;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ThreeWayTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "Home            | Home              | Kayak hire      | FREE",
                "Home            | \"  Home\n \"      | Kayak hire      | FREE",
                "\"\"            | \"\"              | Kayak hire      | FREE",
                "Home            | Kayak hire        | Kayak hire      | IN_PLACE",
                "Home            | Kayak\u00a0hire   | Kayak hire      | IN_PLACE",
                "Home            | Home              | Home            | IN_PLACE",
                "Home            | home              | Kayak hire      | CHANGED",
                "Home            | \"\"              | Kayak hire      | CHANGED",
                "Home            | Kayak hire!       | Kayak hire      | CHANGED",
                "Home            | \"\"              | \"\"            | IN_PLACE",
            })
    void spaceIsAllThatIsPassedOver(String base, String now, String ours, ThreeWay standing) {
        assertThat(ThreeWay.of(base, now, ours)).isEqualTo(standing);
    }
}
