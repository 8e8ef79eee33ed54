package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import lucidsweep.core.demand.Season;
import lucidsweep.server.aim.keywords.KeywordRow;
import lucidsweep.server.aim.keywords.KeywordSelection;
import lucidsweep.server.aim.keywords.KeywordTables;
import lucidsweep.server.client.Property;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Component;

/** Six weeks before the month in which keywords begin to peak, every year anew. */
@Component
class SeasonReminder implements Reminder {

    private static final int WEEKS_AHEAD = 6;
    private static final int NAMED = 3;

    private final KeywordTables keywords;

    SeasonReminder(KeywordTables keywords) {
        this.keywords = keywords;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        Map<Integer, List<KeywordRow>> byMonth = new TreeMap<>();
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL)) {
            Season season = row.season();
            if (season.evidence() != Season.Evidence.EVERY_YEAR
                    || season.peaks().isEmpty()) continue;
            byMonth.computeIfAbsent(season.peaks().get(0), any -> new ArrayList<>())
                    .add(row);
        }
        return byMonth.entrySet().stream()
                .map(each -> due(each.getKey(), each.getValue(), today))
                .toList();
    }

    /** Of a season that is under way it is that of next year, unless it has only just begun. */
    private static Due due(int month, List<KeywordRow> rows, LocalDate today) {
        LocalDate begins = today.withDayOfMonth(1).withMonth(month);
        if (begins.isBefore(today.withDayOfMonth(1))) begins = begins.plusYears(1);
        List<String> named = rows.stream()
                .sorted(Comparator.comparingLong((KeywordRow row) -> -searches(row)))
                .limit(NAMED)
                .map(row -> "“" + row.phrase() + "”")
                .toList();
        return Due.of(
                "season:" + begins.toString().substring(0, 7),
                "season",
                "Get ready for " + Season.name(month) + ": " + Counted.of(rows.size(), "keyword")
                        + (rows.size() == 1 ? " peaks" : " peak") + " from then on, most of all "
                        + String.join(", ", named),
                begins.minusWeeks(WEEKS_AHEAD),
                "aim?season=yes");
    }

    private static long searches(KeywordRow row) {
        return row.figures().volume() == null ? 0 : row.figures().volume();
    }
}
