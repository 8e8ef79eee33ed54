package lucidsweep.core.aim;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;

/** What search engines report of a property: queries and addresses by number, and the rows added up. */
final class ReportedDemand {

    private static final DemandTally.Line NO_LINE =
            new DemandTally.Line(0, 0, DemandTally.Sum.NONE, DemandTally.Sum.NONE, DemandTally.Sum.NONE);
    private static final double MIN_MONTHS = 0.23;

    private final Words language;
    private final BrandNames brand;
    private final DemandTally tally;
    private final ClickCurve.Fitter clicks = new ClickCurve.Fitter();
    private final List<Phrase> queries = new ArrayList<>();
    private final Map<String, Integer> queriesByKey = new HashMap<>();
    private final Map<String, Integer> queriesByText = new HashMap<>();
    private final Set<Integer> brandQueries = new HashSet<>();
    private final Map<String, Integer> addresses = new HashMap<>();
    private final Map<Integer, Long> items = new HashMap<>();
    private final Map<Integer, Long> rowsOfAddress = new HashMap<>();
    private List<DemandTally.Line> lines;
    private Map<Integer, DemandTally.Line> sums;
    private int firstDay = Integer.MAX_VALUE;
    private long rows;
    private long withoutPosition;
    private long tooManyClicks;

    ReportedDemand(Words language, BrandNames brand, int from, int to) {
        this.language = language;
        this.brand = brand;
        tally = new DemandTally(from, to);
    }

    /** Adds a row; returns the phrase of its query where it is new, else null. */
    Phrase add(String address, String query, int first, int last, long clicked, long shown, double position) {
        int item = addresses.computeIfAbsent(normal(address), any -> addresses.size());
        int known = queries.size();
        int number = number(query);
        rows++;
        rowsOfAddress.merge(item, 1L, Long::sum);
        if (position < 1) withoutPosition++;
        if (clicked > shown) tooManyClicks++;
        firstDay = Math.min(firstDay, first);
        lines = null;
        sums = null;
        tally.add(item, number, first, last, clicked, shown, position);
        if (!brandQueries.contains(number)) clicks.add(number, position, shown, clicked);
        return number == known ? queries.get(number) : null;
    }

    private static String normal(String address) {
        return PageAddress.text(address).orElse(address);
    }

    /** The number of a query; those that differ only in case, word form or stop words have the same. */
    private int number(String text) {
        Integer known = queriesByText.get(text);
        if (known != null) return known;
        Phrase phrase = Phrase.of(text, language);
        Integer sameKey = queriesByKey.get(phrase.key());
        int number = sameKey == null ? queries.size() : sameKey;
        queriesByText.put(text, number);
        if (sameKey != null) return number;
        queriesByKey.put(phrase.key(), number);
        queries.add(phrase);
        if (brand.isIn(text)) brandQueries.add(number);
        return number;
    }

    /** Says which item an address is. */
    void item(String address, long id) {
        Integer number = addresses.get(normal(address));
        if (number != null) items.put(number, id);
    }

    boolean isEmpty() {
        return rows == 0;
    }

    List<Phrase> queries() {
        return queries;
    }

    Set<Integer> brandQueries() {
        return brandQueries;
    }

    /** The number of a phrase that is a query, too; null where it is none. */
    Integer query(Phrase phrase) {
        return queriesByKey.get(phrase.key());
    }

    /** The lines of the tally; the same list until a row is added. */
    List<DemandTally.Line> lines() {
        if (lines == null) lines = tally.lines();
        return lines;
    }

    /** For each keyword its lines. */
    List<List<DemandTally.Line>> ofKeywords(List<Phrase> keywords) {
        List<List<DemandTally.Line>> byQuery = new ArrayList<>();
        for (int i = 0; i < queries.size(); i++) byQuery.add(null);
        for (DemandTally.Line line : lines()) {
            if (byQuery.get(line.query()) == null) byQuery.set(line.query(), new ArrayList<>(2));
            byQuery.get(line.query()).add(line);
        }
        List<List<DemandTally.Line>> found = new ArrayList<>();
        for (Phrase keyword : keywords) {
            Integer query = query(keyword);
            List<DemandTally.Line> own = query == null ? null : byQuery.get(query);
            found.add(own == null ? List.of() : own);
        }
        return found;
    }

    /** A query over all items, in its three windows; the line's numbers mean nothing. */
    DemandTally.Line sumOf(Phrase phrase) {
        Integer number = query(phrase);
        if (number == null) return NO_LINE;
        if (sums == null) {
            sums = new HashMap<>();
            for (DemandTally.Line line : lines()) sums.merge(line.query(), line, DemandTally.Line::plus);
        }
        return sums.getOrDefault(number, NO_LINE);
    }

    static DemandTally.Sum sum(List<DemandTally.Line> lines) {
        DemandTally.Sum sum = DemandTally.Sum.NONE;
        for (DemandTally.Line line : lines) sum = sum.plus(line.now());
        return sum;
    }

    /** The item of each number in the tally; -1 for an address that is none. */
    long[] items() {
        long[] ids = new long[addresses.size()];
        Arrays.fill(ids, -1);
        items.forEach((number, id) -> ids[number] = id);
        return ids;
    }

    /** How many days after all else the first row of an item came. */
    int daysLate(int number) {
        return tally.firstDay(number) - firstDay;
    }

    int firstDay(int number) {
        return tally.firstDay(number);
    }

    /** A window that is hardly covered is taken for a week. */
    double months() {
        return Math.max(tally.months(), MIN_MONTHS);
    }

    ClickCurve curve() {
        return clicks.fit();
    }

    AimPlan.Reported reported() {
        long elsewhere = rowsOfAddress.entrySet().stream()
                .filter(each -> !items.containsKey(each.getKey()))
                .mapToLong(Map.Entry::getValue)
                .sum();
        return new AimPlan.Reported(
                rows, elsewhere, withoutPosition, tooManyClicks, rows == 0 ? 0 : tally.missingDays(), tally.months());
    }
}
