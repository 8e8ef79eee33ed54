package lucidsweep.server.watch.due;

import jakarta.annotation.Nullable;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** What is due for a property, and what will be. */
@Service
public class DueList {

    private static final int LONGEST_KEY = 500;

    private final List<Reminder> reminders;
    private final DueMapper mapper;
    private final Clients clients;
    private final Reports reports;
    private final Clock clock = Clock.systemDefaultZone();

    DueList(List<Reminder> reminders, DueMapper mapper, Clients clients, Reports reports) {
        this.reminders = reminders;
        this.mapper = mapper;
        this.clients = clients;
        this.reports = reports;
    }

    /** What a person said of something that was due. */
    public enum State {
        DONE,
        LATER,
        NEVER
    }

    /** All that is due or will be, the earliest first; without what is done or was never wanted. */
    public List<Due> of(long propertyId) {
        Property property = clients.property(propertyId);
        LocalDate today = today(propertyId);
        Map<String, DueMapper.DecisionLine> decided = mapper.all(propertyId).stream()
                .collect(Collectors.toMap(DueMapper.DecisionLine::dueKey, Function.identity()));
        return reminders.stream()
                .flatMap(reminder -> reminder.of(property, today).stream())
                .map(due -> decided(due, decided.get(shortened(due.key())), today))
                .filter(due -> due != null)
                .sorted(Comparator.comparing(Due::day).thenComparing(Due::kind).thenComparing(Due::text))
                .toList();
    }

    /** This day, or the last that is reported of where that is later. */
    public LocalDate today(long propertyId) {
        LocalDate now = LocalDate.now(clock);
        String last = reports.lastDay(propertyId);
        return last.isEmpty() || !LocalDate.parse(last).isAfter(now) ? now : LocalDate.parse(last);
    }

    private static Due decided(Due due, DueMapper.DecisionLine decision, LocalDate today) {
        if (decision == null) return at(due, due.day(), today, null);
        if (!decision.state().equals("later")) return null;
        return at(due, decision.untilDay(), today, decision.note().isEmpty() ? null : decision.note());
    }

    private static Due at(Due due, LocalDate day, LocalDate today, String note) {
        return new Due(due.key(), due.kind(), due.text(), day, !day.isAfter(today), due.place(), note);
    }

    void decide(long propertyId, String key, State state, @Nullable LocalDate until, String note) {
        clients.property(propertyId);
        if (state == State.LATER && until == null) throw Refusal.badInput("expected a day to come back to it on");
        mapper.put(
                propertyId,
                shortened(key),
                state.name().toLowerCase(Locale.ROOT),
                state == State.LATER ? until : null,
                note.strip());
    }

    /** Forgets what was said of it, so that it is due as before. */
    void forget(long propertyId, String key) {
        mapper.remove(propertyId, shortened(key));
    }

    private static String shortened(String key) {
        return key.length() <= LONGEST_KEY ? key : key.substring(0, LONGEST_KEY);
    }
}
