package lucidsweep.server.triage;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.Items;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** What is in place of a property and of each of its sets, check by check, now and after each sweep. */
@Service
public class Checklist {

    private static final int MOST_SWEEPS = 24;

    private static final long WHOLE = 0;

    private final HistoryMapper mapper;
    private final Items items;
    private final ItemSets sets;
    private final Clients clients;
    private final TransactionTemplate transaction;

    Checklist(HistoryMapper mapper, Items items, ItemSets sets, Clients clients, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.items = items;
        this.sets = sets;
        this.clients = clients;
        this.transaction = transaction;
    }

    /** After all others that hear of it: by then the findings are those of what the sweep saw. */
    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        List<SweepCount> counts = new ArrayList<>();
        List<HistoryMapper.CheckCount> checks = new ArrayList<>();
        Property property = clients.property(sweep.propertyId());
        Instant taken = mapper.takenAt(sweep.sweepId());
        note(sweep, taken, property, null, found(property.id()), counts, checks);
        sets.tests(property.id())
                .forEach((set, members) ->
                        note(sweep, taken, property, set, items.findings(property.id(), members), counts, checks));
        transaction.executeWithoutResult(status -> {
            mapper.deleteSweep(sweep.sweepId());
            mapper.deleteChecks(sweep.sweepId());
            counts.forEach(mapper::insertSweep);
            ManyRows.each(checks, mapper::insertChecks);
        });
    }

    private void note(
            SweepEnded sweep,
            Instant taken,
            Property property,
            ItemSet set,
            Items.SetFindings found,
            List<SweepCount> counts,
            List<HistoryMapper.CheckCount> checks) {
        Map<Check, Integer> now = byCheck(found.counts());
        counts.add(new SweepCount(
                sweep.sweepId(),
                idOf(set),
                property.id(),
                taken,
                found.indexable(),
                found.withFindings(),
                found.clicks(),
                true));
        listed(property, set)
                .map(check -> new HistoryMapper.CheckCount(
                        sweep.sweepId(),
                        idOf(set),
                        property.id(),
                        check.field(),
                        check.code(),
                        now.getOrDefault(check, 0)))
                .forEach(checks::add);
    }

    private static long idOf(ItemSet set) {
        return set == null ? WHOLE : set.id();
    }

    private Items.SetFindings found(long propertyId) {
        Items.Counts counts = items.counts(propertyId);
        return new Items.SetFindings(
                counts.indexable(), counts.withFindings(), counts.stake().clicks(), items.findingCounts(propertyId));
    }

    private static Map<Check, Integer> byCheck(List<FindingCount> counts) {
        return counts.stream()
                .filter(count -> !count.key().check().equals(NotIndexable.CODE))
                .collect(Collectors.toMap(
                        count -> Checks.of(count.key().field(), count.key().check()),
                        FindingCount::items,
                        Integer::sum));
    }

    /** The sweeps of a property that were looked at, the earliest first. */
    public List<SweepCount> sweeps(long propertyId) {
        return sweeps(propertyId, WHOLE);
    }

    private List<SweepCount> sweeps(long propertyId, long setId) {
        List<SweepCount> sweeps = new ArrayList<>(mapper.sweeps(propertyId, setId, MOST_SWEEPS));
        Collections.reverse(sweeps);
        return sweeps;
    }

    /**
     * A check of a property or set.
     *
     * @param items how many indexable items it finds something of now
     * @param before the same after each of the latest sweeps that looked for it, the earliest first
     */
    public record Line(Check check, int items, List<Integer> before) {}

    /**
     * What is in place of a property or set.
     *
     * @param indexable how many items it is about now
     * @param sweeps those that were looked at, the earliest first
     * @param lines every check that its standard has on, in the order of the fields
     */
    public record InPlace(int indexable, List<SweepCount> sweeps, List<Line> lines) {}

    public InPlace of(long propertyId) {
        return of(propertyId, null);
    }

    /** @param setId null for the whole property; a set of another one is refused */
    InPlace of(long propertyId, Long setId) {
        Property property = clients.property(propertyId);
        ItemSet set = setId == null ? null : sets.ofProperty(propertyId, setId);
        Items.SetFindings found =
                set == null ? found(propertyId) : items.findings(propertyId, sets.test(propertyId, setId));
        Map<Check, Integer> now = byCheck(found.counts());
        Map<Long, Map<String, Integer>> bySweep = new HashMap<>();
        for (HistoryMapper.CheckCount count : mapper.checks(propertyId, idOf(set))) {
            bySweep.computeIfAbsent(count.sweepId(), any -> new HashMap<>())
                    .put(Check.id(count.field(), count.checkCode()), count.items());
        }
        List<SweepCount> sweeps = sweeps(propertyId, idOf(set));
        List<Line> lines = listed(property, set)
                .map(check -> new Line(check, now.getOrDefault(check, 0), before(check, sweeps, bySweep)))
                .toList();
        return new InPlace(found.indexable(), sweeps, lines);
    }

    private static List<Integer> before(Check check, List<SweepCount> sweeps, Map<Long, Map<String, Integer>> counts) {
        List<Integer> before = new ArrayList<>();
        for (SweepCount sweep : sweeps) {
            Integer items = counts.getOrDefault(sweep.sweepId(), Map.of()).get(check.id());
            if (items != null) before.add(items);
            else if (sweep.allChecks()) before.clear();
            else before.add(0);
        }
        return before;
    }

    /** Every check that the standard of a property or set has on, in the order of the fields. */
    private static Stream<Check> listed(Property property, ItemSet set) {
        Standard standard = set == null || set.standard() == null
                ? property.standard()
                : set.standard().over(property.standard());
        return Checks.all().stream()
                .filter(check -> !check.isOfHidden())
                .filter(check -> !standard.off().contains(check.id()))
                .filter(check -> isOf(property, check));
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
