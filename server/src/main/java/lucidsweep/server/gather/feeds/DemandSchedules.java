package lucidsweep.server.gather.feeds;

import java.time.LocalDate;
import java.util.Optional;
import lucidsweep.server.gather.schedule.PlannedRuns;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.web.Refusal;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Fetches demand again by itself, from where it was fetched the last time. */
@Service
class DemandSchedules {

    private final PlannedRuns runs;
    private final DemandFetch demand;

    DemandSchedules(DemandSourceMapper mapper, DemandFetch demand) {
        runs = new PlannedRuns(mapper, propertyId -> demand.begin(propertyId, demand.source(propertyId)));
        this.demand = demand;
    }

    Optional<Schedule> of(long propertyId) {
        return runs.of(propertyId);
    }

    void set(long propertyId, Schedule schedule) {
        if (demand.source(propertyId).isEmpty()) {
            throw Refusal.conflict(
                    "Fetch demand once; from then on it can be fetched by itself from the same address.");
        }
        runs.set(propertyId, schedule);
    }

    void remove(long propertyId) {
        runs.remove(propertyId);
    }

    @Scheduled(fixedDelayString = "PT1M")
    void runDue() {
        runs.run(LocalDate.now());
    }
}
