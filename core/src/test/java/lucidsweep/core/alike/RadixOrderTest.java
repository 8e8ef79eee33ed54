package lucidsweep.core.alike;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RadixOrderTest {

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 2, 5_000})
    void numbersComeInTheirOrderAndEqualOnesAsTheyCame(int size) {
        int[] numbers = new Random(size)
                .ints(size)
                .map(number -> number % 3 == 0 ? number : number % 100)
                .toArray();
        int[] expected = IntStream.range(0, size)
                .boxed()
                .sorted(Comparator.comparingLong(place -> Integer.toUnsignedLong(numbers[place])))
                .mapToInt(place -> place)
                .toArray();
        assertThat(RadixOrder.of(numbers)).containsExactly(expected);
    }
}
