package lucidsweep.core.item;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class EvenShareTest {

    @Test
    void everyGroupGivesItsShareWhateverTheOrder() {
        Random random = new Random(3);
        for (int round = 0; round < 300; round++) {
            int size = 1 + random.nextInt(400);
            int wanted = 1 + random.nextInt(60);
            List<String> groups = new ArrayList<>();
            for (int i = 0; i < size; i++) groups.add("/" + random.nextInt(6) + "/");
            int[] chosen = EvenShare.of(groups, wanted);
            assertThat(chosen).hasSize(Math.min(size, wanted)).isSorted().doesNotHaveDuplicates();
            Map<String, Integer> all = new HashMap<>();
            Map<String, Integer> some = new HashMap<>();
            groups.forEach(group -> all.merge(group, 1, Integer::sum));
            for (int at : chosen) some.merge(groups.get(at), 1, Integer::sum);
            all.forEach((group, count) -> {
                double share = (double) count * chosen.length / size;
                assertThat(some.getOrDefault(group, 0)).isBetween((int) Math.floor(share), (int) Math.ceil(share));
            });
        }
    }

    @Test
    void theSameOnesAreChosenAgain() {
        List<String> groups = List.of("b", "a", "b", "a", "b", "b");
        assertThat(EvenShare.of(groups, 3)).containsExactly(EvenShare.of(groups, 3));
        assertThat(EvenShare.of(List.of(), 3)).isEmpty();
    }
}
