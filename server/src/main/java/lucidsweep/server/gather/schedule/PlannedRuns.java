package lucidsweep.server.gather.schedule;

import java.time.LocalDate;
import java.util.Optional;
import java.util.function.LongConsumer;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Begins what is planned on its day, and plans it anew for the next time. */
public final class PlannedRuns {

    private static final Logger LOG = LoggerFactory.getLogger(PlannedRuns.class);

    private final Plans plans;
    private final LongConsumer run;

    /**
     * @param run begins it for a property or client, by its id; a {@link Refusal} puts it off until the next minute, as where somebody is at work
     */
    public PlannedRuns(Plans plans, LongConsumer run) {
        this.plans = plans;
        this.run = run;
    }

    public Optional<Schedule> of(long id) {
        return Optional.ofNullable(plans.of(id)).map(PlannedRuns::schedule);
    }

    public void set(long id, Schedule schedule) {
        plans.set(new Plans.Plan(id, schedule.every().name(), schedule.nextDay().toString()));
    }

    public void remove(long id) {
        plans.remove(id);
    }

    /** Begins everything that is due on a day; one who asks meanwhile waits, so that nothing is begun twice. */
    public synchronized void run(LocalDate today) {
        for (Plans.Plan due : plans.due(today.toString())) {
            try {
                run.accept(due.id());
            } catch (Refusal e) {
                LOG.info("what is planned for {} waits: {}", due.id(), e.getMessage());
                continue;
            } catch (RuntimeException e) {
                // A fault of one keeps no other from its turn; it is tried again with the next minute.
                LOG.error("what is planned for {} failed", due.id(), e);
                continue;
            }
            Schedule schedule = schedule(due);
            LocalDate next = schedule.after(today);
            if (next == null) remove(due.id());
            else set(due.id(), new Schedule(schedule.every(), next));
        }
    }

    private static Schedule schedule(Plans.Plan plan) {
        return new Schedule(Schedule.Every.valueOf(plan.every()), LocalDate.parse(plan.nextDay()));
    }
}
