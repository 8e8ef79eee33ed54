package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.Finding;
import lucidsweep.core.finding.Inspection;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import lucidsweep.core.text.Graphemes;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.StoredFinding;
import tools.jackson.databind.json.JsonMapper;

/** Works out the findings of stored items, ready to be written. Safe for use by many threads. */
final class Inspector {

    private static final int LONGEST_EVIDENCE = 3_000;
    private static final int LONGEST_SHARED = 2_000;

    private final long propertyId;
    private final Standard standard;
    private final List<Ending> endings;
    private final Inspection inspection;
    private final InspectedItems subjects;
    private final JsonMapper json;

    Inspector(
            long propertyId,
            Standard standard,
            List<Ending> endings,
            Inspection inspection,
            InspectedItems subjects,
            JsonMapper json) {
        this.propertyId = propertyId;
        this.standard = standard;
        this.endings = endings;
        this.inspection = inspection;
        this.subjects = subjects;
        this.json = json;
    }

    /**
     * The findings of some items.
     *
     * @param fitWithout how many titles with a common ending would fit without it, by ending
     */
    record Inspected(List<FindingMapper.FindingValues> findings, Map<String, Integer> fitWithout) {}

    Inspected inspect(List<ItemDetail> items) {
        List<FindingMapper.FindingValues> findings = new ArrayList<>(items.size());
        Map<String, Integer> fitWithout = new HashMap<>();
        for (ItemDetail item : items) {
            // What is wrong with a page is said once, of the one that stands for all its addresses.
            if (item.isTwin()) continue;
            countFitWithout(item.title().text(), fitWithout);
            List<StoredFinding> found = inspection.of(subjects.of(item)).stream()
                    .map(Inspector::finding)
                    .toList();
            if (found.isEmpty()) continue;
            findings.add(new FindingMapper.FindingValues(item.id(), propertyId, json.writeValueAsString(found)));
        }
        return new Inspected(findings, fitWithout);
    }

    private static StoredFinding finding(Finding finding) {
        return new StoredFinding(
                finding.field().code(),
                finding.kind().code(),
                clip(finding.evidence(), LONGEST_EVIDENCE),
                clip(finding.shared(), LONGEST_SHARED));
    }

    private void countFitWithout(String title, Map<String, Integer> fitWithout) {
        for (Ending ending : endings) {
            if (!title.endsWith(ending.text())) continue;
            String rest = title.substring(0, title.length() - ending.text().length());
            if (standard.title().fits(rest, Graphemes.count(rest))) fitWithout.merge(ending.text(), 1, Integer::sum);
            return;
        }
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
