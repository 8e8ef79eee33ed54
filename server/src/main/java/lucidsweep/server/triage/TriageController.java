package lucidsweep.server.triage;

import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.Causes;
import lucidsweep.core.finding.Field;
import lucidsweep.core.finding.FindingKind;
import lucidsweep.core.finding.Tally;
import lucidsweep.server.web.CsvText;
import org.springframework.http.HttpHeaders;
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

    TriageController(FindingMapper mapper, Findings findings) {
        this.mapper = mapper;
        this.findings = findings;
    }

    /** A cause as the interface shows it; field and kind as codes. */
    record CauseView(
            String field,
            String kind,
            String label,
            String shared,
            String section,
            int items,
            long links,
            double weight,
            String says,
            String remedy) {

        static CauseView of(Cause cause) {
            return new CauseView(
                    cause.field().code(),
                    cause.kind().code(),
                    cause.field().label() + " " + cause.kind().label(),
                    cause.shared(),
                    cause.section(),
                    cause.items(),
                    cause.links(),
                    cause.weight(),
                    cause.says(),
                    cause.remedy().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
        }
    }

    /** Findings of one kind, counted; those of items that are not indexable are left out, but for that kind itself. */
    record KindView(String field, String kind, String label, int items) {}

    @GetMapping("/causes")
    List<CauseView> causes(@PathVariable long propertyId) {
        List<Tally> tallies = mapper.tallies(propertyId).stream()
                .map(line -> new Tally(
                        Field.of(line.field()),
                        FindingKind.of(line.kind()),
                        line.shared(),
                        line.section(),
                        line.items(),
                        line.links()))
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
        return mapper.kinds(propertyId).stream()
                .map(line -> new KindView(
                        line.field(),
                        line.kind(),
                        Field.of(line.field()).label() + " "
                                + FindingKind.of(line.kind()).label(),
                        line.items()))
                .toList();
    }

    @GetMapping("/findings.csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable long propertyId) {
        StreamingResponseBody body = out -> {
            try (CsvText csv = new CsvText(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
                csv.row("address", "field", "finding", "evidence", "counted");
                findings.forEach(
                        propertyId,
                        row -> csv.row(
                                row.address(), row.field(), row.kind(), row.evidence(), row.counted() ? "yes" : "no"));
            }
        };
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"findings.csv\"")
                .header(HttpHeaders.CONTENT_TYPE, "text/csv; charset=utf-8")
                .body(body);
    }
}
