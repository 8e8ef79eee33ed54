package lucidsweep.server.release;

import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import lucidsweep.server.item.table.Selection;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class ReleaseController {

    private final Releases releases;

    ReleaseController(Releases releases) {
        this.releases = releases;
    }

    /** What becomes of drafts; fields null or empty for all. */
    record Decision(Selection selection, List<String> fields, String state) {}

    record DecidedTexts(int texts) {}

    record Format(String format) {}

    @PostMapping("/properties/{propertyId}/decisions")
    DecidedTexts decide(@PathVariable long propertyId, @RequestBody Decision decision) {
        return new DecidedTexts(releases.decide(propertyId, decision.selection(), decision.fields(), decision.state()));
    }

    @GetMapping("/properties/{propertyId}/handovers")
    List<Handover> handovers(@PathVariable long propertyId) {
        return releases.ofProperty(propertyId);
    }

    @PostMapping("/properties/{propertyId}/handovers")
    Handover handOver(@PathVariable long propertyId, @RequestBody Format format) {
        return releases.handOver(propertyId, format.format());
    }

    @GetMapping("/handovers/{id}/file")
    ResponseEntity<StreamingResponseBody> file(@PathVariable long id) {
        Handover handover = releases.find(id);
        String ending = handover.format().equals("listings") ? "csv" : handover.format();
        String type = switch (ending) {
            case "json" -> "application/json";
            case "html" -> "text/plain; charset=utf-8";
            default -> "text/csv; charset=utf-8";
        };
        StreamingResponseBody body = out -> {
            try (Writer writer = new OutputStreamWriter(out, StandardCharsets.UTF_8)) {
                releases.write(handover, writer);
            }
        };
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"handover-" + id + "-" + handover.format() + "." + ending + "\"")
                .header(HttpHeaders.CONTENT_TYPE, type)
                .body(body);
    }
}
