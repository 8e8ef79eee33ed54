package lucidsweep.server.compare;

import java.util.List;
import java.util.stream.Collectors;
import lucidsweep.core.text.WordDifference.Fate;
import lucidsweep.core.text.WordDifference.WordRun;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class ComparisonController {

    private final Comparisons comparisons;

    ComparisonController(Comparisons comparisons) {
        this.comparisons = comparisons;
    }

    @GetMapping("/comparison")
    Comparisons.Differences comparison(
            @PathVariable long propertyId,
            @RequestParam long before,
            @RequestParam long after,
            @RequestParam(required = false) Change.Kind kind,
            @RequestParam(required = false) String field,
            @RequestParam(defaultValue = "false") boolean undrafted,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "100") int count) {
        return comparisons.slice(propertyId, before, after, new ComparisonFilter(kind, field, undrafted), from, count);
    }

    @GetMapping({"/comparison.csv", "/comparison.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(
            @PathVariable long propertyId,
            @RequestParam long before,
            @RequestParam long after,
            @RequestParam(required = false) Change.Kind kind,
            @RequestParam(required = false) String field,
            @RequestParam(defaultValue = "false") boolean undrafted) {
        ComparisonFilter filter = new ComparisonFilter(kind, field, undrafted);
        return Rows.download("comparison", csv -> {
            csv.row("address", "change", "moved_to", "field", "before", "after", "drafted");
            comparisons.forEach(propertyId, before, after, filter, change -> {
                if (change.fields().isEmpty()) {
                    csv.row(change.address(), change.kind().code(), change.movedTo(), "", "", "", "");
                }
                for (Change.FieldChange each : change.fields()) {
                    if (field != null && !each.field().equals(field)) continue;
                    csv.row(
                            change.address(),
                            change.kind().code(),
                            change.movedTo(),
                            each.field(),
                            without(each.pieces(), Fate.CAME),
                            without(each.pieces(), Fate.WENT),
                            each.drafted() ? "yes" : "no");
                }
            });
        });
    }

    private static String without(List<WordRun> pieces, Fate fate) {
        return pieces.stream()
                .filter(piece -> piece.fate() != fate)
                .map(WordRun::text)
                .collect(Collectors.joining());
    }
}
