package lucidsweep.server.aim.demand;

import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiConsumer;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.SeasonLevels;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.MovedSites;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.gather.sweep.DemandChanged;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.memory.RecentlyUsed;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The demand of properties in memory, kept until demand or items change. */
@Component
public class Demands {

    private static final long MAX_ROWS_KEPT = 3_000_000;
    private static final int RECENT_DAYS = 28;
    private static final int YEAR = 364;

    /** With more days of which nothing is reported, a season would be a gap. */
    private static final int MISSING_OF_WINDOW = 7;

    private static final int MISSING_OF_YEAR = 28;

    private final Reports reports;
    private final Clients clients;
    private final Items items;

    private final RecentlyUsed<Long, ReadDemand> kept =
            new RecentlyUsed<>(MAX_ROWS_KEPT, demand -> demand.rows().size() + 1);

    Demands(Reports reports, Clients clients, Items items) {
        this.reports = reports;
        this.clients = clients;
        this.items = items;
    }

    /** Before all others, since they ask for what was reported. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void demandChanged(DemandChanged demand) {
        kept.remove(demand.propertyId());
    }

    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        kept.remove(sweep.propertyId());
    }

    ReadDemand of(long propertyId) {
        clients.property(propertyId);
        return kept.get(propertyId, this::read);
    }

    private ReadDemand read(long propertyId) {
        ReadDemand demand = read(propertyId, MovedSites.NONE);
        MovedSites moved = moved(propertyId, demand);
        return moved.isEmpty() ? demand : read(propertyId, moved);
    }

    private ReadDemand read(long propertyId, MovedSites moved) {
        ReadDemand demand = new ReadDemand(moved);
        int today = (int) ReportedDays.today(reports, propertyId).toEpochDay();
        reports.forEachDemand(propertyId, row -> demand.add(row, today));
        if (demand.rows().size() > 0) items.forEachAddress(propertyId, demand::item);
        return demand;
    }

    private MovedSites moved(long propertyId, ReadDemand demand) {
        int last = demand.rows().lastDay();
        double[] recent = new double[demand.addressCount()];
        if (recent.length > 0)
            demand.rows().tally(last - RECENT_DAYS + 1, last, By.ITEM, Only.ANY).lines().stream()
                    .filter(line -> line.item() >= 0)
                    .forEach(line -> recent[line.item()] = line.now().impressions());
        MovedSites.Finder finder = new MovedSites.Finder();
        for (int i = 0; i < recent.length; i++) finder.reported(demand.address(i), demand.item(i) != null, recent[i]);
        if (!finder.isAny()) return MovedSites.NONE;
        items.forEachAddress(
                propertyId,
                (address, id) -> finder.item(PageAddress.text(address).orElse(address)));
        return finder.found();
    }

    /** The sites of a property that moved since they were reported of: their demand counts for the addresses of today. */
    public MovedSites movedSites(long propertyId) {
        return of(propertyId).moved();
    }

    /** The numbers of the queries with the client's brand, or of all others. */
    BitSet queries(long propertyId, ReadDemand demand, boolean withBrand) {
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        BitSet found = (BitSet) demand.ofBrand(Set.copyOf(client.brandNames()), property.language())
                .clone();
        if (!withBrand) found.flip(0, demand.queryCount());
        return found;
    }

    /** The queries that items were shown for in the last thirteen weeks; and those that only others were. */
    public Queries queriesOf(long propertyId, Collection<Long> ids) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return new Queries(List.of(), List.of());
        BitSet wanted = new BitSet();
        ids.forEach(id -> demand.numberOfItem(id).ifPresent(wanted::set));
        int from = rows.lastDay() - KeywordMapper.WINDOW + 1;
        BitSet theirs = shown(rows.tally(from, rows.lastDay(), By.QUERY, new Only(wanted, null, -1)));
        BitSet all = shown(rows.tally(from, rows.lastDay(), By.QUERY, Only.ANY));
        all.andNot(theirs);
        return new Queries(
                theirs.stream().mapToObj(demand::query).toList(),
                all.stream().mapToObj(demand::query).toList());
    }

    /** Walks over the queries with the client's brand, and what was reported of each in the last thirteen weeks. */
    public void forEachBrandQuery(long propertyId, BiConsumer<String, DemandTally.Sum> visit) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return;
        Only ofBrand = new Only(null, queries(propertyId, demand, true), -1);
        rows.tally(rows.lastDay() - KeywordMapper.WINDOW + 1, rows.lastDay(), By.QUERY, ofBrand).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .forEach(line -> visit.accept(demand.query(line.item()), line.now()));
    }

    /** What was reported in a country in the last thirteen weeks, by the keys of the phrases that queries are. */
    public Map<String, DemandTally.Sum> sumsByKey(long propertyId, String country, Words language) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return Map.of();
        Map<String, DemandTally.Sum> sums = new HashMap<>();
        Only inCountry = new Only(null, null, demand.numberOfCountry(country));
        rows.tally(rows.lastDay() - KeywordMapper.WINDOW + 1, rows.lastDay(), By.QUERY, inCountry).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .forEach(line -> sums.merge(
                        Phrase.of(demand.query(line.item()), language).key(), line.now(), DemandTally.Sum::plus));
        return sums;
    }

    /** What was reported of each item in the last thirteen weeks, by its id. */
    public Map<Long, DemandTally.Sum> sumsOfItems(long propertyId) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return Map.of();
        Map<Long, DemandTally.Sum> sums = new HashMap<>();
        rows.tally(rows.lastDay() - KeywordMapper.WINDOW + 1, rows.lastDay(), By.ITEM, Only.ANY).lines().stream()
                .filter(line -> line.now().impressions() > 0)
                .forEach(line -> {
                    Long id = demand.item(line.item());
                    if (id != null) sums.put(id, line.now());
                });
        return sums;
    }

    /** What was reported of items by query in the last thirteen weeks, queries for the brand left out. */
    public ItemQueries itemQueries(long propertyId) {
        ReadDemand demand = of(propertyId);
        DemandRows rows = demand.rows();
        if (rows.size() == 0) return ItemQueries.none(demand);
        int from = rows.lastDay() - KeywordMapper.WINDOW + 1;
        Only withoutBrand = new Only(null, queries(propertyId, demand, false), -1);
        DemandTally tally = rows.tallyPairs(from, rows.lastDay(), withoutBrand);
        return new ItemQueries(demand, tally, seasons(demand, from, withoutBrand), from, rows.lastDay());
    }

    /** How the weeks from a day on stand to the rest of the year; unknown where a year before is not reported. */
    private static SeasonLevels seasons(ReadDemand demand, int from, Only only) {
        DemandRows rows = demand.rows();
        DemandTally window = rows.tally(from - YEAR, rows.lastDay() - YEAR, By.ITEM, only);
        DemandTally year = rows.tally(from - YEAR, from - 1, By.ITEM, only);
        if (window.missingDays() > MISSING_OF_WINDOW || year.missingDays() > MISSING_OF_YEAR)
            return SeasonLevels.UNKNOWN;
        SeasonLevels.Adder adder = new SeasonLevels.Adder(KeywordMapper.WINDOW / (double) YEAR);
        for (DemandTally.Line line : window.lines())
            adder.window(section(demand, line.item()), line.now().impressions());
        for (DemandTally.Line line : year.lines())
            adder.year(section(demand, line.item()), line.now().impressions());
        return adder.levels();
    }

    private static String section(ReadDemand demand, int address) {
        return PageAddress.section(demand.address(address));
    }

    /** Queries of some items, and those of the others only. */
    public record Queries(List<String> theirs, List<String> others) {}

    private static BitSet shown(DemandTally tally) {
        BitSet shown = new BitSet();
        for (DemandTally.Line line : tally.lines()) {
            if (line.now().impressions() > 0) shown.set(line.item());
        }
        return shown;
    }
}
