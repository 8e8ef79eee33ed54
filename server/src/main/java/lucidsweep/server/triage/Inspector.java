package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.CommonPartCheck;
import lucidsweep.core.finding.Finding;
import lucidsweep.core.finding.InspectedItem;
import lucidsweep.core.finding.Inspection;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.StakeParts;
import lucidsweep.server.item.table.StoredFinding;
import tools.jackson.databind.json.JsonMapper;

/** Works out the findings of stored items, ready to be written. Safe for use by many threads. */
final class Inspector {

    private static final int LONGEST_EVIDENCE = 3_000;
    private static final int LONGEST_SHARED = 2_000;

    private final long propertyId;
    private final ItemStandards held;
    private final Function<Standard, Inspection> inspections;
    private final Map<Standard, Inspection> byStandard = Collections.synchronizedMap(new IdentityHashMap<>());
    private final InspectedItems subjects;
    private final Words language;
    private final Optional<StakeModel> costs;
    private final JsonMapper json;

    /**
     * Prepares to inspect.
     *
     * @param held what each item is held to
     * @param inspections make an inspection by a standard
     * @param costs what faults cost the property; empty where that is not known
     */
    Inspector(
            long propertyId,
            ItemStandards held,
            Function<Standard, Inspection> inspections,
            InspectedItems subjects,
            Words language,
            Optional<StakeModel> costs,
            JsonMapper json) {
        this.propertyId = propertyId;
        this.held = held;
        this.inspections = inspections;
        this.subjects = subjects;
        this.language = language;
        this.costs = costs;
        this.json = json;
    }

    /** An item, the checks that found something, and what. */
    record Found(ItemDetail item, List<Check> checks, List<StoredFinding> findings) {}

    /**
     * The findings of some items.
     *
     * @param stakes what fixing them could win
     * @param found all items that were inspected, those without findings too
     * @param lives what has come or ended, as it is to be written
     * @param fitWithout how many indexable titles with a common beginning or ending would fit without it, by that part
     */
    record Inspected(
            List<FindingMapper.FindingValues> findings,
            List<StakeMapper.StakeLine> stakes,
            List<Found> found,
            List<LifeMapper.LifeLine> lives,
            Map<String, Integer> fitWithout) {}

    /**
     * Looks at some items.
     *
     * @param demand what is reported of them, by id
     * @param searched the ids of those that searchers were shown
     * @param exempt the ids of checks that they need not pass, by id
     * @param lives since when what was found of them is there
     */
    Inspected inspect(
            List<ItemDetail> items,
            Map<Long, ItemDemand> demand,
            Set<Long> searched,
            Map<Long, Set<String>> exempt,
            Lives lives) {
        List<FindingMapper.FindingValues> findings = new ArrayList<>(items.size());
        List<StakeMapper.StakeLine> stakes = new ArrayList<>();
        List<Found> all = new ArrayList<>(items.size());
        List<LifeMapper.LifeLine> changed = new ArrayList<>();
        Map<String, Integer> fitWithout = new HashMap<>();
        // What is wrong with a page is said once, of the one that stands for all its addresses.
        List<ItemDetail> looked = items.stream().filter(item -> !item.isTwin()).toList();
        ItemStandards.Held standards =
                held.held(looked.stream().mapToLong(ItemDetail::id).toArray());
        List<InspectedItem> inspected = subjects.of(looked, searched, exempt);
        for (int i = 0; i < inspected.size(); i++) {
            ItemDetail item = looked.get(i);
            Inspection inspection = byStandard.computeIfAbsent(standards.standard(item.id()), inspections);
            List<Finding> found = inspection.of(inspected.get(i));
            List<Check> checks = found.stream().map(Finding::check).toList();
            List<StoredFinding> stored = found.stream().map(Inspector::finding).toList();
            all.add(new Found(item, checks, stored));
            lives.after(item, checks).ifPresent(changed::add);
            if (found.isEmpty()) continue;
            countFitWithout(item, stored, 1, fitWithout);
            findings.add(new FindingMapper.FindingValues(item.id(), propertyId, json.writeValueAsString(stored)));
            String parts = parts(item, checks, demand.get(item.id()));
            if (!parts.isEmpty()) stakes.add(new StakeMapper.StakeLine(item.id(), parts));
        }
        return new Inspected(findings, stakes, all, changed, fitWithout);
    }

    private String parts(ItemDetail item, List<Check> checks, ItemDemand demand) {
        if (demand == null || costs.isEmpty()) return "";
        return StakeParts.text(costs.get().of(checks, demand, item.title().text(), language));
    }

    private static StoredFinding finding(Finding finding) {
        return new StoredFinding(
                finding.field(),
                finding.check().code(),
                clip(finding.evidence(), LONGEST_EVIDENCE),
                clip(finding.shared(), LONGEST_SHARED));
    }

    /** Counts, by common part, a title that would fit without it; those not indexable do not count. */
    static void countFitWithout(
            ItemDetail item, List<StoredFinding> findings, int times, Map<String, Integer> fitWithout) {
        if (item.noindex() != null) return;
        for (StoredFinding finding : findings) {
            if (CommonPartCheck.fitsWithout(finding.evidence())
                    && Checks.of(finding.field(), finding.check()) instanceof CommonPartCheck) {
                fitWithout.merge(finding.shared(), times, Integer::sum);
            }
        }
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
