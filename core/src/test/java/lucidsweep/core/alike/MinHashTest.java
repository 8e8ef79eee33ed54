package lucidsweep.core.alike;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;

class MinHashTest {

    @Test
    void functionsThatAgreeAreCountedInPackedSignaturesAsOneByOne() {
        Random random = new Random(8);
        for (int round = 0; round < 500; round++) {
            int[] one = random.ints(MinHash.SIZE).toArray();
            int[] other = one.clone();
            int agreeing = MinHash.SIZE;
            for (int i = 0; i < MinHash.SIZE; i++) {
                if (random.nextInt(1 + round % 7) == 0) continue;
                other[i] = random.nextInt();
                agreeing--;
            }
            long[] packed = new long[3 * MinHash.PACKED];
            MinHash.pack(one, packed, 0);
            MinHash.pack(other, packed, 2 * MinHash.PACKED);
            // A byte of different numbers is the same once in 256 times.
            assertThat(MinHash.agreeing(packed, 0, 2 * MinHash.PACKED)).isBetween(agreeing, agreeing + 3);
            assertThat(MinHash.agreeing(packed, 0, 0)).isEqualTo(MinHash.SIZE);
        }
    }
}
