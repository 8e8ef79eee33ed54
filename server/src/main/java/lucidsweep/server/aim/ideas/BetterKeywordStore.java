package lucidsweep.server.aim.ideas;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.aim.targets.TargetDecisions;
import lucidsweep.server.aim.targets.TargetRuns;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Better keywords: proposed, accepted or refused. */
@Service
public class BetterKeywordStore {

    private static final int MAX_AT_ONCE = 1_000;

    private final BetterMapper mapper;
    private final TargetDecisions aims;
    private final Keywords keywords;
    private final TargetRuns runs;
    private final Items items;
    private final Clients clients;
    private final TransactionTemplate transaction;

    BetterKeywordStore(
            BetterMapper mapper,
            TargetDecisions aims,
            Keywords keywords,
            TargetRuns runs,
            Items items,
            Clients clients,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.aims = aims;
        this.keywords = keywords;
        this.runs = runs;
        this.items = items;
        this.clients = clients;
        this.transaction = transaction;
    }

    /** Better keywords of a property, the most worth first; those of items too young to judge, or the others. */
    public Page<BetterRow> page(long propertyId, boolean young, int from, int count) {
        clients.property(propertyId);
        return new Page<>(
                mapper.countBetter(propertyId, young),
                mapper.better(propertyId, young, Math.max(0, from), Math.max(0, Math.min(count, MAX_AT_ONCE))));
    }

    /**
     * What was accepted.
     *
     * @param items whose keyword was changed
     * @param keywords what each of them aims at now
     */
    record Accepted(List<Long> items, List<Long> keywords) {}

    /** Makes queries the keywords of their items; of several for one item the first counts. */
    Accepted accept(long propertyId, List<Long> ids) {
        List<BetterRow> chosen = new ArrayList<>();
        Set<Long> aimed = new HashSet<>();
        for (BetterRow row : rows(propertyId, ids)) if (aimed.add(row.itemId())) chosen.add(row);
        List<Long> aimedAt = transaction.execute(status -> {
            List<Long> made = keywords.ofQueries(
                    propertyId, chosen.stream().map(BetterRow::query).toList());
            for (int i = 0; i < chosen.size(); i++) {
                BetterRow row = chosen.get(i);
                aims.settle(propertyId, row.itemId(), made.get(i), "accepted in the place of “" + row.aimed() + "”");
            }
            runs.due(propertyId);
            return made;
        });
        // Whoever accepts goes on to rewrite these: the targets of all items take a while.
        items.changed(propertyId, aimed);
        runs.begin(propertyId);
        return new Accepted(chosen.stream().map(BetterRow::itemId).toList(), aimedAt);
    }

    /** Does not propose them again. */
    void refuse(long propertyId, List<Long> ids) {
        List<BetterRow> rows = rows(propertyId, ids);
        transaction.executeWithoutResult(status -> rows.forEach(row -> mapper.refuse(row.itemId(), row.query())));
        clients.touch(propertyId);
    }

    private List<BetterRow> rows(long propertyId, List<Long> ids) {
        List<BetterRow> rows = mapper.betterOf(propertyId, ids.toArray());
        if (rows.size() == new HashSet<>(ids).size()) return rows;
        throw Refusal.conflict("some of these were recalculated meanwhile; please look again");
    }
}
