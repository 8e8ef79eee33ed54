package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import lucidsweep.core.item.Field;
import org.junit.jupiter.api.Test;

class FindingLifeTest {

    /** Findings that come and go at random, by drafts and otherwise, held against a plain account of each. */
    @Test
    void saysSinceWhenWhatCameBackAndWhatEndedWhateverComesAndGoes() {
        List<Check> checks = Checks.all().subList(0, 12);
        Random random = new Random(3);
        FindingLife life = FindingLife.read("");
        Map<String, Long> since = new HashMap<>();
        Map<String, FindingLife.End> ended = new HashMap<>();
        Set<String> cameBack = new HashSet<>();
        List<Check> last = List.of();
        for (long moment = 1_000; moment < 1_200; moment++) {
            List<Check> found = new ArrayList<>(checks);
            found.removeIf(check -> random.nextInt(3) == 0);
            Field drafted = random.nextBoolean() ? Field.TITLE : Field.H1;
            long now = moment + 5_000;
            for (List<Check> some : List.of(found, last)) {
                String next = life.next(some, moment, field -> false, now).toString();
                assertThat(FindingLife.isOf(life.toString(), some)).isEqualTo(next.equals(life.toString()));
            }
            last = found;
            life = FindingLife.read(
                    life.next(found, moment, field -> field == drafted, now).toString());

            Set<String> ids = new HashSet<>();
            found.forEach(check -> ids.add(check.id()));
            for (Check check : checks) {
                String id = check.id();
                if (ids.contains(id)) {
                    if (ended.remove(id) != null) cameBack.add(id);
                    since.putIfAbsent(id, moment);
                } else if (since.remove(id) != null) {
                    boolean byDraft = check.field() == drafted;
                    ended.put(id, new FindingLife.End(byDraft ? now : moment, byDraft));
                    cameBack.remove(id);
                }
                FindingLife.Since open = life.since(id);
                assertThat(open == null ? null : open.moment()).isEqualTo(since.get(id));
                if (open != null) assertThat(open.back()).isEqualTo(cameBack.contains(id));
            }
            assertThat(life.ended()).isEqualTo(ended);
        }
    }

    @Test
    void whatWasFoundBeforeItWasNotedIsOld() {
        FindingLife life = FindingLife.read("*").next(Checks.all().subList(0, 2), 5_000, field -> false, 0);
        assertThat(life.since(Checks.all().get(1).id())).isEqualTo(new FindingLife.Since(0, false));
        assertThat(life.ended()).isEmpty();
        assertThat(FindingLife.read("*")).hasToString("*");
    }
}
