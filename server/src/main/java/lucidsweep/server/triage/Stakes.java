package lucidsweep.server.triage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.AppealModel;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.LearntCost;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.aim.demand.ItemQueries;
import lucidsweep.server.aim.targets.ItemKeywords;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.table.StakeParts;
import lucidsweep.server.triage.StakeFit.ItemStake;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * What faults cost a property, by its own demand. It is fitted when all items are inspected, after a sweep or an import of
 * demand, and kept: a later edit is worth what the fit says of it.
 */
@Service
public class Stakes {

    private static final int MAX_KEPT = 50;
    private static final int AT_ONCE = 1_000;

    private final StakeMapper mapper;
    private final Demands demands;
    private final ItemKeywords keywords;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    // Who follows releases asks for findings itself.
    private final ObjectProvider<MendedFaults> mendedFaults;
    private final Cache<Long, Optional<FittedCosts>> kept =
            Caffeine.newBuilder().maximumSize(MAX_KEPT).build();

    Stakes(
            StakeMapper mapper,
            Demands demands,
            ItemKeywords keywords,
            TransactionTemplate transaction,
            JsonMapper json,
            ObjectProvider<MendedFaults> mendedFaults) {
        this.mapper = mapper;
        this.demands = demands;
        this.keywords = keywords;
        this.transaction = transaction;
        this.json = json;
        this.mendedFaults = mendedFaults;
    }

    /** Who hears what is at stake with the items between two ids: as {@link StakeParts} has it, nothing with those left out. */
    interface Told {
        void stakes(long first, long last, Map<Long, String> parts);
    }

    /** The costs of a property; empty where nothing is reported of its items. */
    public Optional<FittedCosts> costs(long propertyId) {
        return kept.get(
                propertyId,
                id -> Optional.ofNullable(mapper.model(id)).map(model -> json.readValue(model, FittedCosts.class)));
    }

    /** How many times as much the reported months bring to an address as average ones of the year; 1 where that is not known. */
    double season(long propertyId, String address) {
        return costs(propertyId)
                .map(costs -> costs.past().seasons().of(PageAddress.section(address)))
                .orElse(1.0);
    }

    /** What is reported of the items between two ids, if costs were fitted. */
    Map<Long, ItemDemand> demand(long first, long last) {
        return demand(mapper.demands(first, last));
    }

    Map<Long, ItemDemand> demand(long[] ids) {
        return demand(mapper.demandsOf(Arrays.stream(ids).boxed().toArray()));
    }

    private Map<Long, ItemDemand> demand(List<StakeMapper.DemandLine> lines) {
        Map<Long, ItemDemand> demand = new HashMap<>();
        lines.forEach(line -> demand.put(line.itemId(), json.readValue(line.demand(), ItemDemand.class)));
        return demand;
    }

    /** Writes what is at stake with the items between two ids. */
    void replace(long first, long last, List<StakeMapper.StakeLine> stakes) {
        mapper.deleteStakes(first, last);
        insert(stakes);
    }

    void deleteOf(Object[] itemIds) {
        mapper.deleteStakesOf(itemIds);
    }

    void insert(List<StakeMapper.StakeLine> stakes) {
        ManyRows.each(stakes, mapper::insertStakes);
    }

    /** Prepares to fit the costs of a property anew; empty where nothing is reported of its items. */
    Optional<StakeFit> fit(Property property) {
        ItemQueries queries = demands.itemQueries(property.id());
        if (queries.isEmpty()) return Optional.empty();
        return Optional.of(new StakeFit(
                queries,
                keywords.of(property.id()),
                Words.in(property.language()),
                property.standard().leadingWords(),
                learnt(property.id(), queries.curve().rates())));
    }

    /** What own releases say of the costs of faults, by the ids of the checks. */
    private Map<String, LearntCost> learnt(long propertyId, ClickRates rates) {
        AppealModel.Prior[] assumed = AppealFaults.priors();
        Map<String, LearntCost> learnt = new HashMap<>();
        for (MendedFaults.Mended mended : mendedFaults.getObject().mended(propertyId)) {
            if (AppealFaults.number(mended.checkId()) < 0) continue;
            Map<Integer, Double> others = new HashMap<>();
            mended.others().forEach((id, share) -> {
                int fault = AppealFaults.number(id);
                if (fault >= 0) others.put(fault, share);
            });
            learnt.put(mended.checkId(), LearntCost.of(mended.became(), mended.position(), rates, others, assumed));
        }
        return learnt;
    }

    /**
     * Keeps costs that were fitted, and what is at stake by them; what is cut short is worked out again. Where many items are
     * drafted, the costs of before stay: they were learnt from texts that searchers saw.
     *
     * @param told of each stretch of items when it is written
     */
    void keep(Property property, StakeFit fit, Told told) {
        long propertyId = property.id();
        Optional<FittedCosts> before = fit.learntLittle() ? costs(propertyId) : Optional.empty();
        StakeModel model = before.map(costs -> costs.model(property.standard().leadingWords()))
                .orElseGet(fit::model);
        List<ItemStake> some = new ArrayList<>();
        long[] written = {IdRange.of(propertyId).first() - 1};
        fit.forEach(model, item -> {
            some.add(item);
            if (some.size() == AT_ONCE) written[0] = write(written[0] + 1, item.itemId(), some, told);
        });
        write(written[0] + 1, IdRange.of(propertyId).last(), some, told);
        if (before.isEmpty()) {
            mapper.setModel(propertyId, json.writeValueAsString(fit.costs(model)));
        }
        kept.invalidate(propertyId);
    }

    /** Writes all there is of the items between two ids; returns the last of them. */
    private long write(long first, long last, List<ItemStake> items, Told told) {
        transaction.executeWithoutResult(status -> {
            mapper.deleteDemands(first, last);
            mapper.deleteStakes(first, last);
            ManyRows.each(
                    items.stream()
                            .map(item ->
                                    new StakeMapper.DemandLine(item.itemId(), json.writeValueAsString(item.demand())))
                            .toList(),
                    mapper::insertDemands);
            insert(items.stream()
                    .filter(item -> !item.parts().isEmpty())
                    .map(item -> new StakeMapper.StakeLine(item.itemId(), item.parts()))
                    .toList());
        });
        told.stakes(first, last, items.stream().collect(Collectors.toMap(ItemStake::itemId, ItemStake::parts)));
        items.clear();
        return last;
    }

    /** Says that nothing is reported of the items of a property. */
    void forget(long propertyId, Told told) {
        IdRange items = IdRange.of(propertyId);
        transaction.executeWithoutResult(status -> {
            mapper.deleteModel(propertyId);
            mapper.deleteDemands(items.first(), items.last());
            mapper.deleteStakes(items.first(), items.last());
        });
        told.stakes(items.first(), items.last(), Map.of());
        kept.invalidate(propertyId);
    }
}
