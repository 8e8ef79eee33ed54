package lucidsweep.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

class HashNumbersTest {

    @Test
    void theFirstNumberOfAHashStays() {
        Random random = new Random(5);
        HashNumbers numbers = new HashNumbers();
        Map<Long, Integer> plainly = new HashMap<>();
        for (int i = 0; i < 100_000; i++) {
            // Half of them crowd in few slots, as hashes that are not well mixed would.
            long hash = random.nextBoolean() ? 1 + random.nextInt(30_000) * 4_096L : random.nextLong() | 1;
            assertThat(numbers.add(hash, i)).isEqualTo(plainly.putIfAbsent(hash, i) == null);
        }
        plainly.forEach((hash, number) -> assertThat(numbers.get(hash)).isEqualTo(number));
        for (int i = 0; i < 10_000; i++) {
            long hash = random.nextLong() | 1;
            assertThat(numbers.contains(hash)).isEqualTo(plainly.containsKey(hash));
        }
    }

    @Test
    void whoLooksWhileAnotherAddsFindsWhatWasThereBefore() throws InterruptedException {
        HashNumbers numbers = new HashNumbers();
        AtomicLong added = new AtomicLong();
        AtomicLong missed = new AtomicLong();
        Thread looking = new Thread(() -> {
            for (long last; (last = added.get()) < 300_000; ) {
                missed.addAndGet(LongStream.rangeClosed(Math.max(1, last - 50), last)
                        .filter(n -> n > 0 && numbers.get(n * 0x9E3779B97F4A7C15L) != (int) n)
                        .count());
            }
        });
        looking.start();
        for (int n = 1; n <= 300_000; n++) {
            numbers.add(n * 0x9E3779B97F4A7C15L, n);
            added.set(n);
        }
        looking.join();
        assertThat(missed).hasValue(0);
    }
}
