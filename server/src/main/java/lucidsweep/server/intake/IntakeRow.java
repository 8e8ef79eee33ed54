package lucidsweep.server.intake;

import java.util.List;
import java.util.Map;
import lucidsweep.core.column.Meaning;

/**
 * A row with its values as we write them: counts in digits, decimals with ".", dates as "2026-11-25", tags joined by ", ".
 *
 * @param values those that the row has; none of them is blank
 * @param months the monthly counts of a keyword; "" for a month without one
 */
public record IntakeRow(long line, Map<Meaning, String> values, List<String> months) {

    /** A value; "" where there is none. */
    public String get(Meaning meaning) {
        return values.getOrDefault(meaning, "");
    }
}
