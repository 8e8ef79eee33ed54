package lucidsweep.server.gather.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import lucidsweep.server.web.Refusal;
import org.junit.jupiter.api.Test;

class PlannedRunsTest {

    private static final LocalDate TODAY = LocalDate.of(2030, 1, 31);

    /** Plans in memory. */
    private static final class InMemory implements Plans {
        private final Map<Long, Plans.Plan> all = new TreeMap<>();

        @Override
        public Plans.Plan of(long id) {
            return all.get(id);
        }

        @Override
        public List<Plans.Plan> due(String day) {
            return all.values().stream()
                    .filter(plan -> plan.nextDay().compareTo(day) <= 0)
                    .toList();
        }

        @Override
        public void set(Plans.Plan plan) {
            all.put(plan.id(), plan);
        }

        @Override
        public void remove(long id) {
            all.remove(id);
        }
    }

    @Test
    void whatIsRefusedOrFailsWaitsAndKeepsNoOtherFromItsTurn() {
        List<Long> begun = new ArrayList<>();
        PlannedRuns runs = new PlannedRuns(new InMemory(), id -> {
            begun.add(id);
            if (id == 1) throw Refusal.conflict("somebody is at work");
            if (id == 2) throw new IllegalStateException("a fault of ours");
        });
        Schedule weekly = new Schedule(Schedule.Every.WEEK, TODAY);
        for (long id = 1; id <= 3; id++) runs.set(id, weekly);
        runs.set(4, new Schedule(Schedule.Every.ONCE, TODAY));
        runs.set(5, new Schedule(Schedule.Every.DAY, TODAY.plusDays(1)));
        runs.run(TODAY);
        assertThat(begun).containsExactly(1L, 2L, 3L, 4L);
        assertThat(runs.of(1)).as("refused, so tried again").hasValue(weekly);
        assertThat(runs.of(2)).as("failed, so tried again").hasValue(weekly);
        assertThat(runs.of(3)).hasValue(new Schedule(Schedule.Every.WEEK, TODAY.plusWeeks(1)));
        assertThat(runs.of(4)).as("it was for once").isEmpty();
        runs.run(TODAY);
        assertThat(begun).containsExactly(1L, 2L, 3L, 4L, 1L, 2L);
    }
}
