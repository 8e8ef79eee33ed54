package lucidsweep.server.release;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.schedule.PlannedRuns;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.web.Refusal;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Sweeps the pages of a website's recent releases again, every day or week, to see what is live. */
@Service
class LiveSchedules {

    /** Texts that were delivered longer ago are looked at by the sweeps of the whole property. */
    private static final int RECENT_DAYS = 90;

    private final LiveScheduleMapper mapper;
    private final PlannedRuns runs;
    private final Clients clients;
    private final Sweeps sweeps;

    LiveSchedules(LiveScheduleMapper mapper, Clients clients, Sweeps sweeps) {
        this.mapper = mapper;
        runs = new PlannedRuns(mapper, this::sweep);
        this.clients = clients;
        this.sweeps = sweeps;
    }

    Optional<Schedule> of(long propertyId) {
        return runs.of(propertyId);
    }

    void set(long propertyId, Schedule schedule) {
        if (clients.property(propertyId).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only pages can be swept again by themselves");
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

    private void sweep(long propertyId) {
        Instant since = Instant.now().minus(RECENT_DAYS, ChronoUnit.DAYS);
        List<String> addresses = mapper.addresses(propertyId, since, CrawlSettings.LONGEST_LIST);
        if (!addresses.isEmpty()) sweeps.startOf(propertyId, addresses);
    }
}
