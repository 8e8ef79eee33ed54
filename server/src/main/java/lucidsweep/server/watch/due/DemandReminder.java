package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import org.springframework.stereotype.Component;

/** A month after the last day that is reported of. */
@Component
class DemandReminder implements Reminder {

    private final Reports reports;

    DemandReminder(Reports reports) {
        this.reports = reports;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        String last = reports.lastDay(property.id());
        if (last.isEmpty()) return List.of();
        return List.of(Due.of(
                "demand:" + last,
                "demand",
                "Fetch demand again: the last day reported is " + last,
                LocalDate.parse(last).plusMonths(1),
                "aim?side=demand"));
    }
}
