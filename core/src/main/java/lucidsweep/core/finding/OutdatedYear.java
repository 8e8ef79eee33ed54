package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.YearsNamed;

/** A title or description speaks of a year that is over: "Tours 2024". "Since 1998" and a range of years do not. */
final class OutdatedYear extends TextCheck {

    OutdatedYear(Field field) {
        super(field, "outdated-year", "outdated year", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "speaks of a year that is over", "speak of a year that is over");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int latest = 0;
        for (YearsNamed.Span year : YearsNamed.in(text.value())) latest = Math.max(latest, year.year());
        if (latest > 0 && latest < around.year()) {
            found.accept(finding(latest + " is over; the page was captured in " + around.year()));
        }
    }
}
