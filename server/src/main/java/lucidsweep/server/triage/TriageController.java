package lucidsweep.server.triage;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.Causes;
import lucidsweep.core.finding.FindingKind;
import lucidsweep.core.finding.Tally;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class TriageController {

    private final FindingMapper mapper;
    private final Findings findings;
    private final Items items;

    TriageController(FindingMapper mapper, Findings findings, Items items) {
        this.mapper = mapper;
        this.findings = findings;
        this.items = items;
    }

    /** A cause as the interface shows it. */
    record CauseView(
            Field field,
            FindingKind kind,
            String label,
            String shared,
            String section,
            int items,
            long links,
            double weight,
            String says,
            Cause.Fix fix) {

        static CauseView of(Cause cause) {
            return new CauseView(
                    cause.field(),
                    cause.kind(),
                    cause.field().label() + " " + cause.kind().label(),
                    cause.shared(),
                    cause.section(),
                    cause.items(),
                    cause.links(),
                    cause.weight(),
                    cause.says(),
                    cause.fix());
        }
    }

    /** Findings of one kind, counted; those of items that are not indexable are left out, but for that kind itself. */
    record KindView(Field field, FindingKind kind, String label, int items) {}

    @GetMapping("/causes")
    List<CauseView> causes(@PathVariable long propertyId) {
        List<Tally> tallies = items.findingCounts(propertyId).stream()
                .filter(count -> count.key().kind() != FindingKind.NOT_INDEXABLE)
                .map(count -> new Tally(
                        count.key().field(),
                        count.key().kind(),
                        count.key().shared(),
                        count.key().section(),
                        count.items(),
                        count.links()))
                .toList();
        return Causes.of(tallies, ending -> {
                    Integer fit = mapper.fitWithout(propertyId, ending);
                    return fit == null ? 0 : fit;
                })
                .stream()
                .map(CauseView::of)
                .toList();
    }

    @GetMapping("/findings/kinds")
    List<KindView> kinds(@PathVariable long propertyId) {
        Map<String, KindView> kinds = new TreeMap<>();
        for (FindingCount count : items.findingCounts(propertyId)) {
            FindingCount.Key key = count.key();
            String label = key.field().label() + " " + key.kind().label();
            kinds.merge(
                    label,
                    new KindView(key.field(), key.kind(), label, count.items()),
                    (a, b) -> new KindView(a.field(), a.kind(), label, a.items() + b.items()));
        }
        return kinds.values().stream()
                .sorted(Comparator.comparing(KindView::field)
                        .thenComparing(Comparator.comparingInt(KindView::items).reversed()))
                .toList();
    }

    @GetMapping("/causes.csv")
    ResponseEntity<StreamingResponseBody> causesCsv(@PathVariable long propertyId) {
        List<CauseView> causes = causes(propertyId);
        return Rows.download("causes.csv", csv -> {
            csv.row("field", "finding", "items", "links", "weight", "section", "shared", "says");
            for (CauseView cause : causes) {
                csv.row(
                        cause.field(),
                        cause.kind(),
                        cause.items(),
                        cause.links(),
                        Math.round(cause.weight()),
                        cause.section(),
                        cause.shared(),
                        cause.says());
            }
        });
    }

    @GetMapping("/findings.csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable long propertyId) {
        return Rows.download("findings.csv", csv -> {
            csv.row("address", "field", "finding", "evidence", "counted");
            findings.forEach(
                    propertyId,
                    row -> csv.row(
                            row.address(), row.field(), row.kind(), row.evidence(), row.counted() ? "yes" : "no"));
        });
    }
}
