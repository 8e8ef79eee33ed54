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
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Sweeps properties by themselves, weekly, monthly or on a day, as their last sweep was set. */
@Service
@EnableScheduling
public class Schedules {

    private static final Logger LOG = LoggerFactory.getLogger(Schedules.class);

    private final ScheduleMapper mapper;
    private final Sweeps sweeps;
    private final Clients clients;

    Schedules(ScheduleMapper mapper, Sweeps sweeps, Clients clients) {
        this.mapper = mapper;
        this.sweeps = sweeps;
        this.clients = clients;
    }

    public Optional<Schedule> of(long propertyId) {
        return Optional.ofNullable(mapper.of(propertyId)).map(Schedules::schedule);
    }

    /** The next day of each of some properties that has one. */
    public Map<Long, LocalDate> nextDays(Collection<Long> propertyIds) {
        return mapper.ofAll(propertyIds.toArray()).stream()
                .collect(Collectors.toMap(ScheduleMapper.Row::propertyId, row -> LocalDate.parse(row.nextDay())));
    }

    void set(long propertyId, Schedule schedule) {
        if (clients.property(propertyId).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only websites can have scheduled sweeps");
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

    /** Starts every sweep that is due; one that cannot start now is tried again the next time. */
    void runDue(LocalDate today) {
        for (ScheduleMapper.Row due : mapper.due(today.toString())) {
            try {
                sweeps.start(due.propertyId(), sweeps.lastSettings(due.propertyId()));
            } catch (Refusal e) {
                LOG.info("the sweep of property {} waits: {}", due.propertyId(), e.getMessage());
                continue;
            }
            Schedule schedule = schedule(due);
            LocalDate next = schedule.after(today);
            if (next == null) mapper.remove(due.propertyId());
            else mapper.set(row(due.propertyId(), new Schedule(schedule.every(), next)));
        }
    }

    private static Schedule schedule(ScheduleMapper.Row row) {
        return new Schedule(Schedule.Every.valueOf(row.every()), LocalDate.parse(row.nextDay()));
    }

    private static ScheduleMapper.Row row(long propertyId, Schedule schedule) {
        return new ScheduleMapper.Row(
                propertyId, schedule.every().name(), schedule.nextDay().toString());
    }
}
