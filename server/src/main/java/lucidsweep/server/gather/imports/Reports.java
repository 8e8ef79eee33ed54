package lucidsweep.server.gather.imports;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import lucidsweep.core.text.Country;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.gather.sweep.DemandChanged;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** What search engines report of a property, as it was taken in. */
@Service
public class Reports {

    private final ReportMapper mapper;
    private final Map<IdRange, String> lastDays = new ConcurrentHashMap<>();

    Reports(ReportMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * A row of demand.
     *
     * @param address, query "" where the report does not name one; never both
     * @param fromDay, toDay as "2026-11-25"; "" where the file named none
     * @param position null where not known
     */
    public record Demand(
            long id,
            String address,
            String query,
            String country,
            String fromDay,
            String toDay,
            long clicks,
            long impressions,
            Double position) {}

    /** Before all others, since they ask for what was reported. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void demandChanged(DemandChanged demand) {
        IdRange range = IdRange.of(demand.importId());
        if (demand.lastDay() == null) lastDays.remove(range);
        else lastDays.put(range, demand.lastDay());
    }

    /**
     * The last day that is reported of; "" where none is. That of each import is kept, since the database looks at every row to
     * tell it. A later import takes the place of rows for the same days only.
     */
    public String lastDay(long propertyId) {
        return ranges(propertyId).stream()
                .map(range -> lastDays.computeIfAbsent(range, mapper::lastDay))
                .max(Comparator.naturalOrder())
                .orElse("");
    }

    private ReportRanges ranges(long propertyId) {
        return ReportRanges.of(mapper, propertyId);
    }

    /** The codes of the countries that demand is reported of; one that nobody knows is as it was reported. */
    public List<String> countries(long propertyId) {
        return ranges(propertyId).stream()
                .flatMap(range -> mapper.countries(range).stream())
                .filter(country -> !country.isBlank())
                .map(Country::code)
                .distinct()
                .toList();
    }

    /** Whether any row names an item and a query; others name one of them. */
    public boolean namesItemsAndQueries(long propertyId) {
        return ranges(propertyId).stream().anyMatch(mapper::namesItemsAndQueries);
    }

    /** Walks over all rows of demand. */
    public void forEachDemand(long propertyId, Consumer<Demand> visit) {
        ranges(propertyId).forEach(mapper::demand, Demand::id, visit);
    }

    /**
     * Who ranks for a query.
     *
     * @param title, description as the result showed them; "" where the list has none
     * @param looked the day on which somebody looked, as "2026-11-25"
     */
    public record Result(
            String query, double position, String address, String title, String description, String looked) {}

    /** The latest results that were taken in for a query, the first first. */
    public List<Result> results(long propertyId, String query) {
        List<Result> looks = looks(propertyId, query);
        String latest = looks.isEmpty() ? "" : looks.get(looks.size() - 1).looked();
        return looks.stream().filter(each -> each.looked().equals(latest)).toList();
    }

    /** The results that were taken in for a query, of every day, the earliest first. */
    public List<Result> looks(long propertyId, String query) {
        return ranges(propertyId).stream()
                .flatMap(range -> mapper.looks(range, query).stream())
                .sorted(Comparator.comparing(Result::looked).thenComparingDouble(Result::position))
                .toList();
    }

    /** Some of those that were taken in for other queries. */
    public List<Result> otherResults(long propertyId, String query, int limit) {
        return ranges(propertyId).stream()
                .flatMap(range -> mapper.resultsOfOthers(range, query, limit).stream())
                .limit(limit)
                .toList();
    }

    /** Walks over all results, of every day. */
    public void forEachResult(long propertyId, Consumer<Result> visit) {
        ranges(propertyId)
                .forEach(mapper::resultRows, ReportMapper.NumberedResult::id, row -> visit.accept(row.result()));
    }
}
