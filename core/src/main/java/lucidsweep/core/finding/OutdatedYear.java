package lucidsweep.core.finding;

import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;

/** A title or description speaks of a year that is over: "Tours 2024". "Since 1998" and a range of years do not. */
final class OutdatedYear extends TextCheck {

    private static final int LOOK_BACK = 16;
    private static final Pattern YEAR = Pattern.compile("(?<![\\d.,/–-])20\\d\\d(?![\\d/–-]|[.,]\\d)");
    private static final Pattern SINCE = Pattern.compile(
            "(?i)(?:since|from|est\\.?|(?:established|founded|built|opened|born|made) in|©|seit|ab|depuis|desde|dal|sinds|od) *$");

    OutdatedYear(Field field) {
        super(field, "outdated-year", "outdated year", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "speaks of a year that is over", "speak of a year that is over");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!text.value().contains("20")) return;
        Matcher year = YEAR.matcher(text.value());
        int latest = 0;
        while (year.find()) {
            String before = text.value().substring(Math.max(0, year.start() - LOOK_BACK), year.start());
            boolean since = SINCE.matcher(before).find();
            if (!since) latest = Math.max(latest, Integer.parseInt(year.group()));
        }
        if (latest > 0 && latest < around.year()) {
            found.accept(finding(latest + " is over; the page was captured in " + around.year()));
        }
    }
}
