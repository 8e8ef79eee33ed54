package lucidsweep.server.release;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Sweeps the pages of a website's recent releases again, every day or week, to see what is live. */
@Service
class LiveSchedules {

    private static final Logger LOG = LoggerFactory.getLogger(LiveSchedules.class);

    /** Texts that were delivered longer ago are looked at by the sweeps of the whole property. */
    private static final int RECENT_DAYS = 90;

    private final LiveScheduleMapper mapper;
    private final Clients clients;
    private final Sweeps sweeps;

    LiveSchedules(LiveScheduleMapper mapper, Clients clients, Sweeps sweeps) {
        this.mapper = mapper;
        this.clients = clients;
        this.sweeps = sweeps;
    }

    Optional<Schedule> of(long propertyId) {
        return Optional.ofNullable(mapper.of(propertyId)).map(LiveSchedules::schedule);
    }

    void set(long propertyId, Schedule schedule) {
        if (clients.property(propertyId).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only pages can be swept again by themselves");
        }
        mapper.set(row(propertyId, schedule));
    }

    void remove(long propertyId) {
        mapper.remove(propertyId);
    }

    @Scheduled(fixedDelayString = "PT1M")
    void runDue() {
        runDue(LocalDate.now());
    }

    /** Sweeps what is due; where somebody is at work on the property it waits until the next time. */
    void runDue(LocalDate today) {
        for (LiveScheduleMapper.Row due : mapper.due(today.toString())) {
            List<String> addresses = mapper.addresses(
                    due.propertyId(),
                    today.minusDays(RECENT_DAYS)
                            .atStartOfDay(ZoneId.systemDefault())
                            .toInstant(),
                    CrawlSettings.LONGEST_LIST);
            try {
                if (!addresses.isEmpty()) sweeps.startOf(due.propertyId(), addresses);
            } catch (Refusal e) {
                LOG.info("looking at the releases of property {} waits: {}", due.propertyId(), e.getMessage());
                continue;
            }
            Schedule schedule = schedule(due);
            LocalDate next = schedule.after(today);
            if (next == null) mapper.remove(due.propertyId());
            else mapper.set(row(due.propertyId(), new Schedule(schedule.every(), next)));
        }
    }

    private static Schedule schedule(LiveScheduleMapper.Row row) {
        return new Schedule(Schedule.Every.valueOf(row.every()), LocalDate.parse(row.nextDay()));
    }

    private static LiveScheduleMapper.Row row(long propertyId, Schedule schedule) {
        return new LiveScheduleMapper.Row(
                propertyId, schedule.every().name(), schedule.nextDay().toString());
    }
}
