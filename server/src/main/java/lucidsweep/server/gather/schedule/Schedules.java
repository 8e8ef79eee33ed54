package lucidsweep.server.gather.schedule;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.web.Refusal;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Sweeps properties by themselves, weekly, monthly or on a day, as their last sweep was set. */
@Service
@EnableScheduling
public class Schedules {

    private final ScheduleMapper mapper;
    private final PlannedRuns runs;
    private final Clients clients;

    Schedules(ScheduleMapper mapper, Sweeps sweeps, Clients clients) {
        this.mapper = mapper;
        runs = new PlannedRuns(mapper, propertyId -> sweeps.start(propertyId, sweeps.lastSettings(propertyId)));
        this.clients = clients;
    }

    public Optional<Schedule> of(long propertyId) {
        return runs.of(propertyId);
    }

    /** The next day of each of some properties that has one. */
    public Map<Long, LocalDate> nextDays(Collection<Long> propertyIds) {
        return mapper.ofAll(propertyIds.toArray()).stream()
                .collect(Collectors.toMap(Plans.Plan::id, plan -> LocalDate.parse(plan.nextDay())));
    }

    void set(long propertyId, Schedule schedule) {
        if (clients.property(propertyId).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only websites can have scheduled sweeps");
        }
        runs.set(propertyId, schedule);
    }

    void remove(long propertyId) {
        runs.remove(propertyId);
    }

    @Scheduled(fixedDelayString = "PT1M")
    void runDue() {
        runDue(LocalDate.now());
    }

    void runDue(LocalDate today) {
        runs.run(today);
    }
}
