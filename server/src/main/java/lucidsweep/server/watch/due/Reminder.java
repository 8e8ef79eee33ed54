package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.List;
import lucidsweep.server.client.Property;

/** Finds what is or will be due of one kind. */
interface Reminder {

    /** @param today the day of the reminders: this one, or the last that is reported of where that is later */
    List<Due> of(Property property, LocalDate today);
}
