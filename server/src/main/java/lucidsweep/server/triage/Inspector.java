package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.CommonEnding;
import lucidsweep.core.finding.Finding;
import lucidsweep.core.finding.Inspection;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.StoredFinding;
import tools.jackson.databind.json.JsonMapper;

/** Works out the findings of stored items, ready to be written. Safe for use by many threads. */
final class Inspector {

    private static final int LONGEST_EVIDENCE = 3_000;
    private static final int LONGEST_SHARED = 2_000;

    private final long propertyId;
    private final Inspection inspection;
    private final InspectedItems subjects;
    private final JsonMapper json;

    Inspector(long propertyId, Inspection inspection, InspectedItems subjects, JsonMapper json) {
        this.propertyId = propertyId;
        this.inspection = inspection;
        this.subjects = subjects;
        this.json = json;
    }

    /**
     * The findings of some items.
     *
     * @param fitWithout how many indexable titles with a common ending would fit without it, by ending
     */
    record Inspected(List<FindingMapper.FindingValues> findings, Map<String, Integer> fitWithout) {}

    Inspected inspect(List<ItemDetail> items) {
        List<FindingMapper.FindingValues> findings = new ArrayList<>(items.size());
        Map<String, Integer> fitWithout = new HashMap<>();
        for (ItemDetail item : items) {
            // What is wrong with a page is said once, of the one that stands for all its addresses.
            if (item.isTwin()) continue;
            List<StoredFinding> found = inspection.of(subjects.of(item)).stream()
                    .map(Inspector::finding)
                    .toList();
            if (found.isEmpty()) continue;
            countFitWithout(item, found, 1, fitWithout);
            findings.add(new FindingMapper.FindingValues(item.id(), propertyId, json.writeValueAsString(found)));
        }
        return new Inspected(findings, fitWithout);
    }

    private static StoredFinding finding(Finding finding) {
        return new StoredFinding(
                finding.field(),
                finding.check().code(),
                clip(finding.evidence(), LONGEST_EVIDENCE),
                clip(finding.shared(), LONGEST_SHARED));
    }

    /** Counts, by ending, a title that would fit without its common ending; those not indexable do not count. */
    static void countFitWithout(
            ItemDetail item, List<StoredFinding> findings, int times, Map<String, Integer> fitWithout) {
        if (item.noindex() != null) return;
        for (StoredFinding finding : findings) {
            if (finding.check().equals(CommonEnding.CODE) && CommonEnding.fitsWithout(finding.evidence())) {
                fitWithout.merge(finding.shared(), times, Integer::sum);
            }
        }
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
