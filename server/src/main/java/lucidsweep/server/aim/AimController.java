package lucidsweep.server.aim;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.server.item.Selection;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;
import lucidsweep.server.web.Page;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class AimController {

    private static final int CHUNK = 1_000;

    private final Aims aims;

    AimController(Aims aims) {
        this.aims = aims;
    }

    /** Pasted keywords. */
    record Pasted(String text) {}

    /** A target for items; keywordId null clears it. */
    record AimOrder(Selection selection, Long keywordId) {}

    /** How many items something was done to. */
    record AimedItems(int items) {}

    @GetMapping("/keywords")
    Page<KeywordRow> keywords(
            @PathVariable long propertyId,
            @RequestParam(required = false) String q,
            @RequestParam(required = false) String home,
            @RequestParam(defaultValue = "volume") String sort,
            @RequestParam(defaultValue = "true") boolean desc,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return aims.rows(propertyId, q, home, sort, desc, from, count);
    }

    @PostMapping("/keywords")
    Aims.Added paste(@PathVariable long propertyId, @RequestBody Pasted pasted) {
        return aims.add(propertyId, TableFile.of(pasted.text()));
    }

    @PostMapping(path = "/keywords/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Aims.Added upload(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        Path stored = Files.createTempFile("keywords", ".csv");
        try {
            file.transferTo(stored);
            return aims.add(propertyId, TableFile.of(stored));
        } finally {
            Files.delete(stored);
        }
    }

    @PostMapping("/keywords/remove")
    void remove(@PathVariable long propertyId, @RequestBody List<Long> ids) {
        aims.remove(propertyId, ids);
    }

    @PostMapping("/targets")
    AimedItems aim(@PathVariable long propertyId, @RequestBody AimOrder aim) {
        return new AimedItems(aims.set(propertyId, aim.selection(), aim.keywordId()));
    }

    @PostMapping("/targets/free")
    AimedItems free(@PathVariable long propertyId, @RequestBody Selection selection) {
        return new AimedItems(aims.free(propertyId, selection));
    }

    @GetMapping("/keywords.csv")
    ResponseEntity<StreamingResponseBody> csv(
            @PathVariable long propertyId,
            @RequestParam(required = false) String q,
            @RequestParam(required = false) String home,
            @RequestParam(defaultValue = "volume") String sort,
            @RequestParam(defaultValue = "true") boolean desc) {
        return CsvText.download("keywords.csv", csv -> {
            csv.row("keyword", "volume", "competition", "address", "reason");
            List<KeywordRow> rows;
            int from = 0;
            do {
                rows = aims.rows(propertyId, q, home, sort, desc, from, CHUNK).rows();
                rows.forEach(
                        row -> csv.row(row.phrase(), row.volume(), row.competition(), row.address(), row.reason()));
                from += CHUNK;
            } while (rows.size() == CHUNK);
        });
    }
}
