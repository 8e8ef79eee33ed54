package lucidsweep.server.gather.crawl;

import java.util.List;
import java.util.Optional;
import lucidsweep.server.gather.imports.ImportShape;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.item.capture.LastCaptures;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

@RestController
@RequestMapping("/api/items/{id}")
class CaptureController {

    private final LastCaptures captures;
    private final Imports imports;
    private final JsonMapper json;

    CaptureController(LastCaptures captures, Imports imports, JsonMapper json) {
        this.captures = captures;
        this.imports = imports;
        this.json = json;
    }

    @GetMapping("/captured")
    CaptureView captured(@PathVariable long id) {
        LastCaptures.LastCapture last = captures.of(id);
        Optional<ImportShape> shape = imports.shapeOfSweep(last.sweepId());
        return new CaptureView(
                shape.isPresent() ? null : json.readValue(last.facts(), CapturedPage.class),
                shape.map(columns -> CaptureView.cells(columns, json.readValue(last.facts(), ImportShape.Row.class)))
                        .orElse(List.of()),
                CaptureView.links(last.links()),
                (int) last.links().lines().count(),
                captures.alsoAt(id),
                last.hasSource());
    }

    /** The markup as it came: to be looked at as text, never as a page. */
    @GetMapping("/source")
    ResponseEntity<byte[]> source(@PathVariable long id) {
        return ResponseEntity.ok()
                .contentType(MediaType.TEXT_PLAIN)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"source.html.txt\"")
                .header("X-Content-Type-Options", "nosniff")
                .body(captures.source(id));
    }
}
