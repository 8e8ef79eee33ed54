package lucidsweep.server.aim.demand;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.DemandTally.Line;
import lucidsweep.core.demand.SeasonLevels;

/** What is reported of the items of a property by query, over some weeks. */
public final class ItemQueries {

    private static final double MIN_MONTHS = 0.23;

    private final ReadDemand demand;
    private final List<Line> lines;
    private final Map<Long, Stretch> ofItems = new HashMap<>();
    private final int from;
    private final int to;
    private final double months;
    private final SeasonLevels seasons;

    /** Where the lines of an item stand. */
    private record Stretch(int start, int end) {}

    ItemQueries(ReadDemand demand, DemandTally tally, SeasonLevels seasons, int from, int to) {
        this(
                demand,
                tally.lines().stream()
                        .filter(line ->
                                line.now().impressions() > 0 && line.now().position() >= 1)
                        .toList(),
                seasons,
                from,
                to,
                tally.months());
    }

    private ItemQueries(ReadDemand demand, List<Line> lines, SeasonLevels seasons, int from, int to, double months) {
        this.demand = demand;
        this.seasons = seasons;
        this.lines = lines;
        this.from = from;
        this.to = to;
        this.months = months;
        for (int start = 0, end; start < lines.size(); start = end) {
            int item = lines.get(start).item();
            end = start + 1;
            while (end < lines.size() && lines.get(end).item() == item) end++;
            Long id = demand.item(item);
            if (id != null) ofItems.put(id, new Stretch(start, end));
        }
    }

    static ItemQueries none(ReadDemand demand) {
        return new ItemQueries(demand, List.of(), SeasonLevels.UNKNOWN, 0, 0, 0);
    }

    public boolean isEmpty() {
        return ofItems.isEmpty();
    }

    /** The first day that counts, from 1970-01-01 on. */
    public int from() {
        return from;
    }

    /** The last. */
    public int to() {
        return to;
    }

    /** How many months of these days are reported. */
    public double months() {
        return months;
    }

    /** How the months stand to an average one of the year. */
    public SeasonLevels seasons() {
        return seasons;
    }

    /** How many average months of the year they are worth for a section, for sums to be divided by; at least a week. */
    public double monthsToDivideBy(String section) {
        return Math.max(months, MIN_MONTHS) * seasons.of(section);
    }

    /** How many items with a query there are. */
    public int size() {
        return lines.size();
    }

    public ClickCurve curve() {
        return ClickCurve.of(lines);
    }

    /** What is reported of an item, a line a query; empty where nothing is. */
    public List<Line> of(long itemId) {
        Stretch stretch = ofItems.get(itemId);
        return stretch == null ? List.of() : lines.subList(stretch.start, stretch.end);
    }

    /** The items that anything is reported of. */
    public Set<Long> items() {
        return ofItems.keySet();
    }

    public boolean has(long itemId) {
        return ofItems.containsKey(itemId);
    }

    /** A query by the number that lines have. */
    public String query(int number) {
        return demand.query(number);
    }
}
