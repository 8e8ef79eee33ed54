package lucidsweep.server.watch.due;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.DateStart;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import java.time.LocalDate;
import java.util.List;

/** What is due as a calendar file (iCalendar, RFC 5545): an event of a whole day each. */
final class DueCalendar {

    private DueCalendar() {}

    static String of(long propertyId, String name, List<Due> due) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Lucid Sweep//Due//EN");
        for (Due each : due) {
            VEvent event = new VEvent();
            event.setUid(propertyId + "-" + Integer.toHexString(each.key().hashCode()) + "@lucid-sweep");
            LocalDate day = each.day();
            DateTimeComponents written =
                    new DateTimeComponents(day.getYear(), day.getMonthValue(), day.getDayOfMonth());
            event.setDateStart(new DateStart(new ICalDate(written, false), false));
            event.setSummary(name + ": " + each.text());
            if (each.note() != null) event.setDescription(each.note());
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }
}
