package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import lucidsweep.core.item.Field;
import org.junit.jupiter.api.Test;

/** Causes gather findings and lose none. */
class CausesTest {

    private static final String[] SECTIONS = {"/", "/hire/", "/tours/", "/shop/", "/journal/"};

    @Test
    void everyFindingIsInOneCause() {
        for (int seed = 0; seed < 200; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            List<Cause> causes = Causes.of(tallies, ending -> 1);
            assertThat(perKind(causes.stream()
                            .map(c -> new Tally(c.field(), c.kind(), "", "", c.items(), c.links()))
                            .toList()))
                    .isEqualTo(perKind(tallies));
            assertThat(causes).allSatisfy(cause -> {
                assertThat(cause.items()).isPositive();
                assertThat(cause.says()).matches("\\d+ .*\\.");
                if (!cause.section().isEmpty() && cause.shared().isEmpty())
                    assertThat(cause.says()).contains("in " + cause.section());
            });
            assertThat(causes).extracting(Cause::weight).isSortedAccordingTo(Collections.reverseOrder());
        }
    }

    /** A cause that names a section names one where all its items stand, so that the filter behind it finds them all. */
    @Test
    void aNamedSectionHoldsAllItemsOfItsCause() {
        for (int seed = 0; seed < 200; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            for (Cause cause : Causes.of(tallies, ending -> 1)) {
                if (cause.section().isEmpty() || !cause.shared().isEmpty()) continue;
                int there = tallies.stream()
                        .filter(tally -> tally.field() == cause.field()
                                && tally.kind() == cause.kind()
                                && tally.section().equals(cause.section()))
                        .mapToInt(Tally::items)
                        .sum();
                assertThat(cause.items()).as(cause.says()).isEqualTo(there);
            }
        }
    }

    @Test
    void theOrderOfTheTalliesChangesNothing() {
        for (int seed = 0; seed < 50; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            List<Cause> causes = Causes.of(tallies, ending -> 1);
            Collections.shuffle(tallies, new Random(seed + 1));
            assertThat(Causes.of(tallies, ending -> 1)).isEqualTo(causes);
        }
    }

    private static Map<String, List<Long>> perKind(List<Tally> tallies) {
        Map<String, List<Long>> sums = new TreeMap<>();
        for (Tally tally : tallies) {
            sums.merge(
                    tally.field() + " " + tally.kind(),
                    List.of((long) tally.items(), tally.links()),
                    (a, b) -> List.of(a.get(0) + b.get(0), a.get(1) + b.get(1)));
        }
        return sums;
    }

    private static List<Tally> tallies(Random random) {
        Map<String, Tally> tallies = new TreeMap<>();
        FindingKind[] kinds = FindingKind.values();
        for (int n = 1 + random.nextInt(40); n > 0; n--) {
            FindingKind kind = kinds[random.nextInt(kinds.length)];
            boolean sharing = kind == FindingKind.DUPLICATE || kind == FindingKind.COMMON_ENDING;
            Field field = random.nextBoolean() || kind == FindingKind.COMMON_ENDING ? Field.TITLE : Field.DESCRIPTION;
            String shared = sharing ? " shared " + random.nextInt(4) : "";
            String section = SECTIONS[random.nextInt(SECTIONS.length)];
            int items = 1 + random.nextInt(12);
            tallies.put(
                    field + " " + kind + shared + section,
                    new Tally(field, kind, shared, section, items, random.nextInt(30)));
        }
        return new ArrayList<>(tallies.values());
    }
}
