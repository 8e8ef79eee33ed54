package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.finding.Check;
import lucidsweep.core.item.Field;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.Cost;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.LearntCost;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What faults cost a property, and what that rests on. */
@RestController
@RequestMapping("/api/properties/{propertyId}")
class CostController {

    private final Stakes stakes;
    private final TriageTables tables;
    private final Items items;

    CostController(Stakes stakes, TriageTables tables, Items items) {
        this.stakes = stakes;
        this.tables = tables;
        this.items = items;
    }

    /**
     * What faults cost here.
     *
     * @param items how many items with demand the costs were fitted to
     * @param from, to the days whose demand counts, as ISO dates; "" where there is none
     * @param months how many months of them are reported
     * @param season how many times the impressions of an average month of the year these months bring; 1 where that is not known
     * @param appeal what each fault of a title or description does to how often a result is clicked
     * @param reach what a title with its keyword does to the position
     */
    record CostsView(
            int items,
            String from,
            String to,
            double months,
            double season,
            List<CostView> appeal,
            @Nullable ReachView reach) {

        static CostsView of(Optional<FittedCosts> fitted) {
            List<CostView> views = AppealFaults.checks().stream()
                    .map(check -> CostView.of(
                            check,
                            fitted.map(costs -> costs.costs().get(check.id())).orElse(AppealFaults.assumed(check)),
                            fitted.map(costs -> costs.past().learnt().get(check.id()))
                                    .orElse(null)))
                    .sorted(Comparator.comparingDouble(CostView::effect))
                    .toList();
            return fitted.map(costs -> new CostsView(
                            costs.items(),
                            LocalDate.ofEpochDay(costs.from()).toString(),
                            LocalDate.ofEpochDay(costs.to()).toString(),
                            costs.months(),
                            costs.past().seasons().whole(),
                            views,
                            ReachView.of(costs)))
                    .orElse(new CostsView(0, "", "", 0, 1, views, null));
        }
    }

    /**
     * What a title with its keyword does to the position.
     *
     * @param pairs how many items with a query it was fitted to
     * @param wordsHigher by what share an item stands higher, all else equal, whose title has all words of the query
     * @param leadsHigher the same where the title begins with them
     */
    record ReachView(int pairs, Share wordsHigher, Share leadsHigher) {

        static ReachView of(FittedCosts costs) {
            return new ReachView(costs.pairs(), Share.of(costs.words()), Share.of(costs.leads()));
        }
    }

    /** A share with its 95% interval, and where it comes from. */
    record Share(double share, double low, double high, Cost.Source source) {

        static Share of(Cost cost) {
            return new Share(
                    Cost.lostShare(cost.effect()),
                    Cost.lostShare(cost.high()),
                    Cost.lostShare(cost.low()),
                    cost.source());
        }
    }

    /**
     * What one kind of fault costs.
     *
     * @param effect, low, high how the log of an item's clicks changes with it
     * @param lostShare the share of its clicks that an item loses, 1 at most; below 0 where it wins some
     * @param lostLow, lostHigh the ends of its 95% interval
     * @param items how many items with demand have it
     * @param learnt what own releases say of it by themselves; null where they say nothing
     */
    record CostView(
            Field field,
            String check,
            String label,
            double effect,
            double low,
            double high,
            double lostShare,
            double lostLow,
            double lostHigh,
            int items,
            Cost.Source source,
            @Nullable LearntView learnt) {

        static CostView of(Check check, Cost cost, @Nullable LearntCost learnt) {
            return new CostView(
                    check.field(),
                    check.code(),
                    check.field().label() + " " + check.label(),
                    cost.effect(),
                    cost.low(),
                    cost.high(),
                    Cost.lostShare(cost.effect()),
                    Cost.lostShare(cost.high()),
                    Cost.lostShare(cost.low()),
                    cost.items(),
                    cost.source(),
                    learnt == null ? null : LearntView.of(learnt));
        }
    }

    /**
     * What items lost by a fault that a release freed them of.
     *
     * @param lostShare, lostLow, lostHigh as a share of their clicks; below 0 where they had won some
     * @param items how many were freed of it
     */
    record LearntView(double lostShare, double lostLow, double lostHigh, int items) {

        static LearntView of(LearntCost learnt) {
            return new LearntView(
                    Cost.lostShare(learnt.effect()),
                    Cost.lostShare(learnt.high()),
                    Cost.lostShare(learnt.low()),
                    learnt.items());
        }
    }

    @GetMapping("/costs")
    CostsView costs(@PathVariable long propertyId) {
        return CostsView.of(stakes.costs(propertyId));
    }

    /**
     * What search engines report of an item in an average month of the year, as far as its clicks at stake rest on it.
     *
     * @param season how many times as much the reported months bring; 1 where that is not known
     */
    record ItemDemandView(
            double impressions, double clicks, double expected, double season, List<ItemDemand.Rank> ranks) {}

    /** The demand of an item; nothing where none is reported of it. */
    @GetMapping("/items/{itemId}/demand")
    List<ItemDemandView> demand(@PathVariable long propertyId, @PathVariable long itemId) {
        items.requireOf(propertyId, itemId);
        double season =
                stakes.season(propertyId, items.addresses(List.of(itemId)).get(itemId));
        return stakes.demand(new long[] {itemId}).values().stream()
                .map(demand -> new ItemDemandView(
                        demand.impressions(), demand.clicked(), demand.expected(), season, demand.ranks()))
                .toList();
    }

    @GetMapping({"/costs.csv", "/costs.xlsx"})
    ResponseEntity<StreamingResponseBody> costsFile(@PathVariable long propertyId) {
        return Rows.download("costs", rows -> tables.costs(propertyId, rows));
    }
}
