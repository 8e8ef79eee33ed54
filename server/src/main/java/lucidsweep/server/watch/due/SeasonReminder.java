package lucidsweep.server.watch.due;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
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

/** Six weeks before the peak months of a topic's keywords begin. */
@Component
class SeasonReminder implements Reminder {

    private static final int WEEKS_AHEAD = 6;
    private static final int MOST = 40;

    private final KeywordTables keywords;

    SeasonReminder(KeywordTables keywords) {
        this.keywords = keywords;
    }

    private record Peak(String topic, int month) {}

    @Override
    public List<Due> of(Property property, LocalDate today) {
        Map<Peak, List<KeywordRow>> peaks =
                new TreeMap<>(Comparator.comparing(Peak::topic).thenComparing(Peak::month));
        for (KeywordRow row : keywords.rows(property.id(), KeywordSelection.ALL)) {
            Season season = row.season();
            if (season.evidence() != Season.Evidence.EVERY_YEAR
                    || season.peaks().isEmpty()) continue;
            Peak peak = new Peak(row.topic(), season.peaks().get(0));
            peaks.computeIfAbsent(peak, any -> new ArrayList<>()).add(row);
        }
        return peaks.entrySet().stream()
                .sorted(Comparator.comparingLong(each -> -searches(each.getValue())))
                .limit(MOST)
                .map(each -> due(each.getKey(), each.getValue(), today))
                .toList();
    }

    private static long searches(List<KeywordRow> rows) {
        return rows.stream()
                .mapToLong(row ->
                        row.figures().volume() == null ? 0 : row.figures().volume())
                .sum();
    }

    /** Of a season that is under way it is that of next year, unless it has only just begun to be due. */
    private static Due due(Peak peak, List<KeywordRow> rows, LocalDate today) {
        LocalDate begins = today.withDayOfMonth(1).withMonth(peak.month);
        if (begins.isBefore(today.withDayOfMonth(1))) begins = begins.plusYears(1);
        String topic = peak.topic.isEmpty() ? "keywords without a topic" : "“" + peak.topic + "”";
        return Due.of(
                "season:" + begins.toString().substring(0, 7) + ":" + peak.topic,
                "season",
                "Get " + topic + " ready: " + Counted.of(rows.size(), "keyword") + " peak from "
                        + Season.name(peak.month) + " on",
                begins.minusWeeks(WEEKS_AHEAD),
                "aim?topic=" + URLEncoder.encode(peak.topic, StandardCharsets.UTF_8));
    }
}
