package lucidsweep.server.aim.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Arrays;
import java.util.stream.IntStream;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.WeeklyFigures;
import org.springframework.stereotype.Service;

/**
 * The demand of a property by week, for all of its items or queries at once. Queries for the brand are left out, and so is
 * what was hardly ever shown: nothing can be told of it, and most of a long list of queries is like that.
 */
@Service
public class WeeklyDemand {

    private static final int LEAST_IMPRESSIONS = 20;

    private final Demands demands;

    /** Those of demand that is not kept any more go with it. */
    private final Cache<ReadDemand, Cache<By, Weeks>> kept =
            Caffeine.newBuilder().weakKeys().build();

    WeeklyDemand(Demands demands) {
        this.demands = demands;
    }

    /**
     * Figures by week.
     *
     * @param names of each series: the address of an item, or the query
     * @param itemIds of each series; 0 where it is no item
     * @param rates the clicks an impression brings by position on this property
     * @param version another object for each time that demand was read, to tell whether it is still the same
     */
    public record Weeks(WeeklyFigures figures, String[] names, long[] itemIds, ClickRates rates, Object version) {}

    public Weeks ofItems(long propertyId) {
        return of(propertyId, By.ITEM);
    }

    public Weeks ofQueries(long propertyId) {
        return of(propertyId, By.QUERY);
    }

    private Weeks of(long propertyId, By by) {
        ReadDemand demand = demands.of(propertyId);
        return kept.get(demand, any -> Caffeine.newBuilder().softValues().build())
                .get(by, any -> read(propertyId, demand, by));
    }

    private Weeks read(long propertyId, ReadDemand demand, By by) {
        DemandRows rows = demand.rows();
        int count = by == By.ITEM ? demand.addressCount() : demand.queryCount();
        Only only =
                demand.queryCount() == 0 ? Only.ANY : new Only(null, demands.queries(propertyId, demand, false), -1);
        long[] shown = rows.impressions(by, count);
        int[] numbers = IntStream.range(0, count)
                .filter(number -> shown[number] >= LEAST_IMPRESSIONS)
                .toArray();
        WeeklyFigures figures = rows.weekly(by, only, numbers);
        // Reports that name no query of an item: what they say of it, whatever was searched.
        if (by == By.ITEM && figures.withClicks(1).length == 0) figures = rows.weekly(by, Only.ANY, numbers);
        return new Weeks(
                figures,
                Arrays.stream(numbers)
                        .mapToObj(by == By.ITEM ? demand::address : demand::query)
                        .toArray(String[]::new),
                Arrays.stream(numbers)
                        .mapToLong(number -> by == By.ITEM ? itemId(demand, number) : 0)
                        .toArray(),
                demands.itemQueries(propertyId).curve().rates(),
                demand.version());
    }

    private static long itemId(ReadDemand demand, int number) {
        Long id = demand.item(number);
        return id == null ? 0 : id;
    }
}
