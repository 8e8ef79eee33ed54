package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FindingLifeTest {

    /** Findings that come and go at random, held against a plain account of each. */
    @Test
    void saysSinceWhenAndWhatCameBackWhateverComesAndGoes() {
        List<Check> checks = Checks.all().subList(0, 12);
        Random random = new Random(3);
        FindingLife life = FindingLife.read("");
        Map<String, Long> since = new HashMap<>();
        Set<String> fixed = new HashSet<>();
        Set<String> cameBack = new HashSet<>();
        for (long moment = 1_000; moment < 1_200; moment++) {
            List<Check> found = new ArrayList<>(checks);
            found.removeIf(check -> random.nextInt(3) == 0);
            FindingLife.Step step = life.next(found, fixed, moment);
            Set<String> ids = new HashSet<>();
            found.forEach(check -> ids.add(check.id()));
            Set<String> ended = new HashSet<>(since.keySet());
            ended.removeAll(ids);
            assertThat(step.ended()).extracting(FindingLife.Ended::checkId).containsExactlyInAnyOrderElementsOf(ended);
            for (FindingLife.Ended each : step.ended()) assertThat(each.since()).isEqualTo(since.get(each.checkId()));
            Set<String> back = new HashSet<>(ids);
            back.retainAll(fixed);
            assertThat(step.back()).containsExactlyInAnyOrderElementsOf(back);

            since.keySet().removeAll(ended);
            cameBack.removeAll(ended);
            cameBack.addAll(back);
            fixed.removeAll(back);
            fixed.addAll(ended);
            for (String id : ids) since.putIfAbsent(id, moment);
            life = FindingLife.read(step.now().toString());
            for (Check check : checks) {
                FindingLife.Since now = life.since(check.id());
                assertThat(now == null ? null : now.moment()).isEqualTo(since.get(check.id()));
                if (now != null) assertThat(now.back()).isEqualTo(cameBack.contains(check.id()));
            }
        }
    }

    @Test
    void whatWasFoundBeforeItWasNotedIsOld() {
        FindingLife.Step step = FindingLife.read("*").next(Checks.all().subList(0, 2), Set.of(), 5_000);
        assertThat(step.now().since(Checks.all().get(1).id())).isEqualTo(new FindingLife.Since(0, false));
        assertThat(step.ended()).isEmpty();
    }
}
