package lucidsweep.server.aim;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.ToDoubleFunction;
import lucidsweep.core.aim.Aiming;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.DemandWindow.DemandRow;
import lucidsweep.server.aim.DemandWindow.Reported;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.DemandChanged;
import lucidsweep.server.gather.Reports;
import lucidsweep.server.gather.SweepEnded;
import lucidsweep.server.item.Items;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Refusal;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** What is reported of a property, its items and its queries, over any window, in any country, with the brand or without. */
@Service
class DemandTables {

    private static final int WEEK = 7;
    private static final int LONGEST = 52 * WEEK;
    private static final int MOST_AT_ONCE = 1_000;
    private static final long MOST_ROWS_KEPT = 3_000_000;
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

    private final Reports reports;
    private final Clients clients;
    private final Items items;

    private record View(ReadDemand demand, By by, int first, int last, Only only, String sort, boolean descending) {}

    private final Cache<Long, ReadDemand> kept = Caffeine.newBuilder()
            .maximumWeight(MOST_ROWS_KEPT)
            .weigher((Long property, ReadDemand demand) -> demand.rows().size() + 1)
            .build();
    private final Cache<View, List<DemandRow>> views =
            Caffeine.newBuilder().maximumSize(VIEWS_KEPT).build();

    DemandTables(Reports reports, Clients clients, Items items) {
        this.reports = reports;
        this.clients = clients;
        this.items = items;
    }

    @EventListener
    void demandChanged(DemandChanged demand) {
        forget(demand.propertyId());
    }

    @EventListener
    void sweepEnded(SweepEnded sweep) {
        forget(sweep.propertyId());
    }

    private void forget(long propertyId) {
        kept.invalidate(propertyId);
        views.invalidateAll();
    }

    DemandWindow window(long propertyId, DemandFilter filter) {
        ReadDemand demand = of(propertyId);
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
        ReadDemand demand = of(propertyId);
        if (demand.rows().size() == 0) return List.of();
        Days days = Days.of(filter, demand.rows());
        Only only = only(propertyId, demand, filter);
        List<DemandRow> all =
                views.get(new View(demand, by, days.first, days.last, only, sort, descending), DemandTables::sorted);
        if (text == null || text.isBlank()) return all;
        String part = text.strip().toLowerCase(Locale.ROOT);
        return all.stream()
                .filter(row -> row.text().toLowerCase(Locale.ROOT).contains(part))
                .toList();
    }

    Page<DemandRow> page(List<DemandRow> rows, int from, int count) {
        int start = Math.min(Math.max(0, from), rows.size());
        int end = Math.min(rows.size(), start + Math.max(0, Math.min(count, MOST_AT_ONCE)));
        return new Page<>(rows.size(), rows.subList(start, end));
    }

    private static List<DemandRow> sorted(View view) {
        DemandTally tally = view.demand.rows().tally(view.first, view.last, view.by, view.only);
        boolean reachesBack = reachesBack(
                view.demand.rows().tally(view.first, view.last, By.ALL, Only.ANY), new Days(view.first, view.last));
        List<DemandRow> rows = new ArrayList<>();
        for (DemandTally.Line line : tally.lines()) rows.add(row(view, line, reachesBack));
        Comparator<DemandRow> byText = Comparator.comparing(DemandRow::text);
        Comparator<DemandRow> order =
                view.sort.equals("text") ? byText : Comparator.comparingDouble(FIGURES.get(view.sort));
        rows.sort((view.descending ? order.reversed() : order).thenComparing(byText));
        return rows;
    }

    private static DemandRow row(View view, DemandTally.Line line, boolean reachesBack) {
        boolean item = view.by == By.ITEM;
        return new DemandRow(
                line.item(),
                item ? view.demand.address(line.item()) : view.demand.query(line.item()),
                item ? view.demand.item(line.item()) : null,
                Reported.of(line.now()),
                Reported.of(line.before()),
                reachesBack ? Reported.of(line.yearBefore()) : null);
    }

    private ReadDemand of(long propertyId) {
        clients.property(propertyId);
        return kept.get(propertyId, this::read);
    }

    private ReadDemand read(long propertyId) {
        ReadDemand demand = new ReadDemand();
        int today = (int) ReportedDays.today(reports, propertyId).toEpochDay();
        reports.forEachDemand(propertyId, row -> demand.add(row, today));
        items.forEachAddress(propertyId, demand::item);
        return demand;
    }

    private Only only(long propertyId, ReadDemand demand, DemandFilter filter) {
        BitSet queries = isGiven(filter.brand())
                ? queries(propertyId, demand, filter.brand().equals("yes"))
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

    private BitSet queries(long propertyId, ReadDemand demand, boolean withBrand) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        BitSet found = (BitSet) demand.ofBrand(Set.copyOf(client.brandNames()), property.language())
                .clone();
        if (!withBrand) found.flip(0, demand.queryCount());
        return found;
    }

    /** The queries that items were shown for in the last thirteen weeks; and those that only others were. */
    Queries queriesOf(long propertyId, Collection<Long> ids) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return new Queries(List.of(), List.of());
        BitSet wanted = new BitSet();
        ids.forEach(id -> demand.numberOfItem(id).ifPresent(wanted::set));
        int from = rows.lastDay() - Aiming.WINDOW + 1;
        BitSet theirs = shown(rows.tally(from, rows.lastDay(), By.QUERY, new Only(wanted, null, -1)));
        BitSet all = shown(rows.tally(from, rows.lastDay(), By.QUERY, Only.ANY));
        all.andNot(theirs);
        return new Queries(
                theirs.stream().mapToObj(demand::query).toList(),
                all.stream().mapToObj(demand::query).toList());
    }

    /** Walks over the queries with the client's brand, and what was reported of each in the last thirteen weeks. */
    void forEachBrandQuery(long propertyId, BiConsumer<String, DemandTally.Sum> visit) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return;
        Only ofBrand = new Only(null, queries(propertyId, demand, true), -1);
        rows.tally(rows.lastDay() - Aiming.WINDOW + 1, rows.lastDay(), By.QUERY, ofBrand).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .forEach(line -> visit.accept(demand.query(line.item()), line.now()));
    }

    /** What was reported in a country in the last thirteen weeks, by the keys of the phrases that queries are. */
    Map<String, DemandTally.Sum> sumsByKey(long propertyId, String country, Words language) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return Map.of();
        Map<String, DemandTally.Sum> sums = new HashMap<>();
        Only inCountry = new Only(null, null, demand.numberOfCountry(country));
        rows.tally(rows.lastDay() - Aiming.WINDOW + 1, rows.lastDay(), By.QUERY, inCountry).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .forEach(line -> sums.merge(
                        Phrase.of(demand.query(line.item()), language).key(), line.now(), DemandTally.Sum::plus));
        return sums;
    }

    /** The countries that demand is reported of. */
    List<String> countries(long propertyId) {
        return of(propertyId).countries();
    }

    /** Queries of some items, and those of the others only. */
    record Queries(List<String> theirs, List<String> others) {}

    private static BitSet shown(DemandTally tally) {
        BitSet shown = new BitSet();
        for (DemandTally.Line line : tally.lines()) {
            if (line.now().impressions() > 0) shown.set(line.item());
        }
        return shown;
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
            return weeks == null ? Aiming.WINDOW : Math.max(1, Math.min(weeks, LONGEST / WEEK)) * WEEK;
        }

        private static int day(String given) {
            try {
                return ReportedDays.day(given);
            } catch (DateTimeParseException e) {
                throw Refusal.badInput("expected a day such as 2026-11-25, got \"" + given + "\"");
            }
        }
    }
}
