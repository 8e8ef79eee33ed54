package lucidsweep.server.aim.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.demand.DemandWindow.DemandRow;
import lucidsweep.server.aim.demand.DemandWindow.Reported;
import lucidsweep.server.client.Clients;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** What is reported of a property, its items and its queries, over any window, in any country, with the brand or without. */
@Service
class DemandTables {

    private static final int WEEK = 7;
    private static final int LONGEST = 52 * WEEK;
    private static final int VIEWS_KEPT = 12;

    private static final Map<String, ToDoubleFunction<DemandRow>> FIGURES = Map.of(
            "clicks", row -> row.now().clicks(),
            "clicks-change", row -> row.now().clicks() - row.before().clicks(),
            "clicks-year",
                    row -> row.yearBefore() == null
                            ? 0
                            : row.now().clicks() - row.yearBefore().clicks(),
            "impressions", row -> row.now().impressions(),
            "impressions-change", row -> row.now().impressions() - row.before().impressions(),
            "rate", row -> row.now().rate(),
            "position",
                    row -> row.now().position() < 1
                            ? Double.MAX_VALUE
                            : row.now().position());

    private final Demands demands;
    private final Clients clients;

    private record View(By by, int first, int last, Only only, String sort, boolean descending) {}

    /** Those of demand that is not kept any more go with it. */
    private final Cache<ReadDemand, RecentlyUsed<View, List<DemandRow>>> views =
            Caffeine.newBuilder().weakKeys().build();

    DemandTables(Demands demands, Clients clients) {
        this.demands = demands;
        this.clients = clients;
    }

    DemandWindow window(long propertyId, DemandFilter filter) {
        ReadDemand demand = demands.of(propertyId);
        DemandRows rows = demand.rows();
        Reported nothing = new Reported(0, 0, 0, 0);
        if (rows.size() == 0) {
            return new DemandWindow("", "", "", "", nothing, nothing, null, 0, 0, List.of(), List.of());
        }
        Days days = Days.of(filter, rows);
        Only only = only(propertyId, demand, filter);
        DemandTally all = rows.tally(days.first, days.last, By.ALL, only);
        List<DemandTally.Line> line = all.lines();
        DemandTally everything = rows.tally(days.first, days.last, By.ALL, Only.ANY);
        boolean reachesBack = reachesBack(everything, days);
        return new DemandWindow(
                text(rows.firstDay()),
                text(rows.lastDay()),
                text(days.first),
                text(days.last),
                line.isEmpty() ? nothing : Reported.of(line.get(0).now()),
                line.isEmpty() ? nothing : Reported.of(line.get(0).before()),
                !reachesBack
                        ? null
                        : line.isEmpty() ? nothing : Reported.of(line.get(0).yearBefore()),
                everything.missingDays(),
                everything.missingDays(1),
                Arrays.stream(rows.weeks(only))
                        .map(week -> new DemandWindow.Week(
                                text(week.first()),
                                week.sum().clicks(),
                                week.sum().impressions(),
                                week.sum().position()))
                        .toList(),
                countries(demand, days, new Only(only.items(), only.queries(), -1)));
    }

    private static List<DemandWindow.InCountry> countries(ReadDemand demand, Days days, Only only) {
        return demand.rows().tally(days.first, days.last, By.COUNTRY, only).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .map(line -> new DemandWindow.InCountry(
                        demand.country(line.item()),
                        line.now().clicks(),
                        line.now().impressions(),
                        line.now().rate()))
                .sorted(Comparator.comparingLong(DemandWindow.InCountry::impressions)
                        .reversed()
                        .thenComparing(DemandWindow.InCountry::country))
                .toList();
    }

    private static boolean reachesBack(DemandTally tally, Days days) {
        return tally.missingDays(2) <= days.last - days.first;
    }

    /**
     * Items or queries in an order.
     *
     * @param side items or queries
     * @param text that their addresses or words hold; null or "" for any
     */
    List<DemandRow> rows(
            long propertyId, String side, DemandFilter filter, String text, String sort, boolean descending) {
        By by = side.equals("items") ? By.ITEM : By.QUERY;
        if (!sort.equals("text") && !FIGURES.containsKey(sort)) {
            throw Refusal.badInput("demand cannot be sorted by \"" + sort + "\"");
        }
        ReadDemand demand = demands.of(propertyId);
        if (demand.rows().size() == 0) return List.of();
        Days days = Days.of(filter, demand.rows());
        Only only = only(propertyId, demand, filter);
        List<DemandRow> all = views.get(demand, any -> new RecentlyUsed<>(VIEWS_KEPT))
                .get(new View(by, days.first, days.last, only, sort, descending), view -> sorted(demand, view));
        if (text == null || text.isBlank()) return all;
        String part = text.strip().toLowerCase(Locale.ROOT);
        return all.stream()
                .filter(row -> row.text().toLowerCase(Locale.ROOT).contains(part))
                .toList();
    }

    private static List<DemandRow> sorted(ReadDemand demand, View view) {
        DemandTally tally = demand.rows().tally(view.first, view.last, view.by, view.only);
        boolean reachesBack = reachesBack(
                demand.rows().tally(view.first, view.last, By.ALL, Only.ANY), new Days(view.first, view.last));
        List<DemandRow> rows = new ArrayList<>();
        for (DemandTally.Line line : tally.lines()) rows.add(row(demand, view.by, line, reachesBack));
        Comparator<DemandRow> byText = Comparator.comparing(DemandRow::text);
        Comparator<DemandRow> order =
                view.sort.equals("text") ? byText : Comparator.comparingDouble(FIGURES.get(view.sort));
        rows.sort((view.descending ? order.reversed() : order).thenComparing(byText));
        return rows;
    }

    private static DemandRow row(ReadDemand demand, By by, DemandTally.Line line, boolean reachesBack) {
        boolean item = by == By.ITEM;
        return new DemandRow(
                line.item(),
                item ? demand.address(line.item()) : demand.query(line.item()),
                item ? demand.item(line.item()) : null,
                Reported.of(line.now()),
                Reported.of(line.before()),
                reachesBack ? Reported.of(line.yearBefore()) : null);
    }

    private Only only(long propertyId, ReadDemand demand, DemandFilter filter) {
        BitSet queries = isGiven(filter.brand())
                ? demands.queries(propertyId, demand, filter.brand().equals("yes"))
                : null;
        if (isGiven(filter.like())) {
            BitSet same = demand.queriesLike(
                    filter.like(), Words.in(clients.property(propertyId).language()));
            if (queries != null) same.and(queries);
            queries = same;
        }
        if (isGiven(filter.query())) queries = only(demand.numberOfQuery(filter.query()), queries);
        return new Only(
                filter.item() == null ? null : only(demand.numberOfItem(filter.item()), null),
                queries,
                isGiven(filter.country()) ? demand.numberOfCountry(filter.country()) : -1);
    }

    /** Only this number, and only where it is one of some; none where it is not known. */
    private static BitSet only(OptionalInt number, BitSet some) {
        BitSet set = new BitSet();
        if (number.isPresent() && (some == null || some.get(number.getAsInt()))) set.set(number.getAsInt());
        return set;
    }

    private static boolean isGiven(String part) {
        return part != null && !part.isEmpty();
    }

    private static String text(int day) {
        return LocalDate.ofEpochDay(day).toString();
    }

    /** The window that is asked for. */
    private record Days(int first, int last) {

        private static Days of(DemandFilter filter, DemandRows rows) {
            int last = isGiven(filter.last()) ? day(filter.last()) : rows.lastDay();
            int first = isGiven(filter.first()) ? day(filter.first()) : last - length(filter.weeks()) + 1;
            if (last < first) {
                throw Refusal.badInput(
                        "expected a window that ends after it begins, got " + text(first) + " to " + text(last));
            }
            if (last - first >= LONGEST) {
                throw Refusal.badInput("expected a window of at most " + LONGEST + " days, so that it can be held "
                        + "against the year before; got " + (last - first + 1));
            }
            return new Days(first, last);
        }

        private static int length(Integer weeks) {
            return weeks == null ? KeywordMapper.WINDOW : Math.max(1, Math.min(weeks, LONGEST / WEEK)) * WEEK;
        }

        private static int day(String given) {
            try {
                return (int) LocalDate.parse(given).toEpochDay();
            } catch (DateTimeParseException e) {
                throw Refusal.badInput("expected a day such as 2026-11-25, got \"" + given + "\"");
            }
        }
    }
}
