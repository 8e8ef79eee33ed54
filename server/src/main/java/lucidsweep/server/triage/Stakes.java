package lucidsweep.server.triage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.AppealModel;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.demand.ExpectedClicks;
import lucidsweep.server.gather.sweep.DemandChanged;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.FoundItem;
import lucidsweep.server.item.table.Items;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/**
 * What faults cost a property, from its own demand. Costs are fitted in the job of a sweep or an import of demand, or when they
 * are first asked for after a start, to the texts that searchers saw; what is at stake follows every change of a text at once.
 */
@Service
class Stakes {

    private static final int MAX_KEPT = 20;

    private final Demands demands;
    private final Items items;
    private final Cache<Long, Costs> kept =
            Caffeine.newBuilder().maximumSize(MAX_KEPT).build();

    Stakes(Demands demands, Items items) {
        this.demands = demands;
        this.items = items;
    }

    /** The costs of a property with the demand that they were fitted to. */
    record Costs(AppealModel model, ExpectedClicks demand) {

        /** What the positions of an item let expect in a month. */
        double expectedAMonth(long itemId) {
            ExpectedClicks.Item item = demand.byItem().get(itemId);
            return item == null ? 0 : item.expected() / Math.max(1, demand.months());
        }
    }

    /** After all others that hear of it: by then the findings are those of what the sweep saw. */
    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        fitAnew(sweep.propertyId());
    }

    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void demandChanged(DemandChanged demand) {
        fitAnew(demand.propertyId());
    }

    private void fitAnew(long propertyId) {
        kept.invalidate(propertyId);
        costs(propertyId);
    }

    Costs costs(long propertyId) {
        return kept.get(propertyId, this::fit);
    }

    private Costs fit(long propertyId) {
        ExpectedClicks demand = demands.expectedClicks(propertyId);
        AppealModel.Fitter fitter = new AppealModel.Fitter(AppealFaults.priors());
        // What is assumed needs no table to be read.
        if (demand.byItem().isEmpty()) return new Costs(fitter.fit(), demand);
        Map<List<FoundItem.Mark>, int[]> faults = new IdentityHashMap<>();
        items.forEachFound(propertyId, item -> {
            ExpectedClicks.Item clicks = demand.byItem().get(item.id());
            if (clicks == null || item.drafted()) return;
            fitter.add(clicks.expected(), clicks.clicked(), faults.computeIfAbsent(item.findings(), Stakes::faults));
        });
        return new Costs(fitter.fit(), demand);
    }

    /** What fixing findings could win, by what they are counted by. */
    Map<FindingCount.Key, Stake> byFinding(long propertyId) {
        Costs costs = costs(propertyId);
        Map<FindingCount.Key, Stake> sums = new HashMap<>();
        if (costs.demand().byItem().isEmpty()) return sums;
        Map<Group, double[]> expected = new HashMap<>();
        items.forEachFound(propertyId, item -> {
            double clicks = costs.expectedAMonth(item.id());
            if (clicks == 0 || item.findings().isEmpty()) return;
            expected.computeIfAbsent(new Group(item.findings(), item.section()), any -> new double[1])[0] += clicks;
        });
        expected.forEach((group, clicks) -> add(costs.model(), group, clicks[0], sums));
        return sums;
    }

    /** Items with the same findings in one section: what they win is in proportion to what is expected of them. */
    private record Group(List<FoundItem.Mark> findings, String section) {}

    private static void add(AppealModel model, Group group, double expected, Map<FindingCount.Key, Stake> sums) {
        int[] faults = faults(group.findings);
        Stake[] stakes = model.stakes(expected, faults);
        int next = 0;
        for (FoundItem.Mark mark : group.findings) {
            if (AppealFaults.number(mark.field(), mark.check()) < 0) continue;
            FindingCount.Key key = new FindingCount.Key(mark.field(), mark.check(), mark.shared(), group.section);
            sums.merge(key, stakes[next++], Stake::plus);
        }
    }

    /** The numbers of the faults of titles and descriptions, in the order of the findings. */
    private static int[] faults(List<FoundItem.Mark> findings) {
        return findings.stream()
                .flatMapToInt(mark -> number(mark.field(), mark.check()))
                .toArray();
    }

    private static IntStream number(Field field, String check) {
        int number = AppealFaults.number(field, check);
        return number < 0 ? IntStream.empty() : IntStream.of(number);
    }
}
