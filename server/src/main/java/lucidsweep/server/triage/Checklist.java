package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.Items;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** What is in place of a property, check by check, now and after each sweep. */
@Service
public class Checklist {

    private static final int MOST_SWEEPS = 24;

    private final HistoryMapper mapper;
    private final Items items;
    private final Clients clients;
    private final TransactionTemplate transaction;

    Checklist(HistoryMapper mapper, Items items, Clients clients, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.items = items;
        this.clients = clients;
        this.transaction = transaction;
    }

    /** After all others that hear of it: by then the findings are those of what the sweep saw. */
    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        Items.Counts counts = items.counts(sweep.propertyId());
        SweepCount all = new SweepCount(
                sweep.sweepId(),
                sweep.propertyId(),
                mapper.takenAt(sweep.sweepId()),
                counts.indexable(),
                counts.withFindings(),
                counts.stake().clicks());
        List<HistoryMapper.CheckCount> checks = now(sweep.propertyId()).entrySet().stream()
                .map(each -> new HistoryMapper.CheckCount(
                        sweep.sweepId(),
                        sweep.propertyId(),
                        each.getKey().field(),
                        each.getKey().code(),
                        each.getValue()))
                .toList();
        transaction.executeWithoutResult(status -> {
            mapper.setSweep(all);
            mapper.deleteChecks(sweep.sweepId());
            ManyRows.each(checks, mapper::insertChecks);
        });
    }

    private Map<Check, Integer> now(long propertyId) {
        return items.findingCounts(propertyId).stream()
                .filter(count -> !count.key().check().equals(NotIndexable.CODE))
                .collect(Collectors.toMap(
                        count -> Checks.of(count.key().field(), count.key().check()),
                        FindingCount::items,
                        Integer::sum));
    }

    /** The sweeps of a property that were looked at, the earliest first. */
    public List<SweepCount> sweeps(long propertyId) {
        List<SweepCount> sweeps = new ArrayList<>(mapper.sweeps(propertyId, MOST_SWEEPS));
        Collections.reverse(sweeps);
        return sweeps;
    }

    /**
     * A check of a property.
     *
     * @param items how many indexable items it finds something of now
     * @param before the same after each sweep, in the order of {@link #sweeps}
     */
    public record Line(Check check, int items, List<Integer> before) {}

    /** Every check that the property's standard has on, in the order of the fields. */
    public List<Line> lines(long propertyId) {
        Property property = clients.property(propertyId);
        Map<Check, Integer> now = now(propertyId);
        Map<Long, Map<Check, Integer>> bySweep = new HashMap<>();
        Set<String> known = new HashSet<>();
        Checks.all().forEach(check -> known.add(check.id()));
        for (HistoryMapper.CheckCount count : mapper.checks(propertyId)) {
            // A check that a later version has no more says nothing.
            if (!known.contains(Check.id(count.field(), count.checkCode()))) continue;
            bySweep.computeIfAbsent(count.sweepId(), any -> new HashMap<>())
                    .put(Checks.of(count.field(), count.checkCode()), count.items());
        }
        List<SweepCount> sweeps = sweeps(propertyId);
        return Checks.all().stream()
                .filter(check -> !check.isOfHidden())
                .filter(check -> !property.standard().off().contains(check.id()))
                .filter(check -> isOf(property, check))
                .map(check -> new Line(
                        check,
                        now.getOrDefault(check, 0),
                        sweeps.stream()
                                .map(sweep -> bySweep.getOrDefault(sweep.sweepId(), Map.of())
                                        .getOrDefault(check, 0))
                                .toList()))
                .toList();
    }

    /** Whether a check is about something that the items of a property have by nature. */
    static boolean isOf(Property property, Check check) {
        if (check.needsTags()) return property.hasTags();
        return switch (check.field()) {
            case H1, SLUG, IMAGES, LINKS, HEAD, INDEXING -> !property.hasTags();
            default -> true;
        };
    }
}
