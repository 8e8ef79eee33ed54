package lucidsweep.server.aim.demand;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.WeeklyFigures;
import org.springframework.stereotype.Service;

/** The demand of a property by week, for all of its items or queries at once; queries for the brand are left out. */
@Service
public class WeeklyDemand {

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
     * @param usualDays how many days most rows of the reports are of
     * @param version another object for each time that demand was read, to tell whether it is still the same
     */
    public record Weeks(
            WeeklyFigures figures, String[] names, long[] itemIds, ClickRates rates, int usualDays, Object version) {}

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
        String[] names = new String[count];
        long[] ids = new long[count];
        for (int number = 0; number < count; number++) {
            names[number] = by == By.ITEM ? demand.address(number) : demand.query(number);
            Long id = by == By.ITEM ? demand.item(number) : null;
            ids[number] = id == null ? 0 : id;
        }
        WeeklyFigures figures = rows.weekly(by, only, count);
        // Reports that name no query of an item: what they say of it, whatever was searched.
        if (by == By.ITEM && figures.withClicks(1).length == 0) figures = rows.weekly(by, Only.ANY, count);
        return new Weeks(
                figures,
                names,
                ids,
                demands.itemQueries(propertyId).curve().rates(),
                rows.usualDays(),
                demand.version());
    }
}
