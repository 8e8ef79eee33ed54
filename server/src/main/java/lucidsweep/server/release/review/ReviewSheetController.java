package lucidsweep.server.release.review;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.XlsxText;
import org.springframework.http.HttpHeaders;
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
import tools.jackson.databind.json.JsonMapper;

@RestController
@RequestMapping("/api")
class ReviewSheetController {

    private static final int MOST_BYTES = 20_000_000;

    private final ReviewSheets sheets;
    private final ReviewReturns returns;
    private final JsonMapper json;

    ReviewSheetController(ReviewSheets sheets, ReviewReturns returns, JsonMapper json) {
        this.json = json;
        this.sheets = sheets;
        this.returns = returns;
    }

    /** Which items' drafts the client is asked about. */
    record ReviewForm(@Valid @NotNull Selection selection) {}

    /** Whether the client's word goes before what was changed meanwhile. */
    record ReviewTake(boolean insist) {}

    @GetMapping("/properties/{propertyId}/review-sheets")
    List<ReviewSheets.SentSheet> sheets(@PathVariable long propertyId) {
        return sheets.ofProperty(propertyId);
    }

    @PostMapping("/properties/{propertyId}/review-sheets/sheet.html")
    ResponseEntity<byte[]> make(@PathVariable long propertyId, @Valid @RequestBody ReviewForm form) {
        String page = ReviewSheetPage.of(sheets.make(propertyId, form.selection()), json);
        return file(page.getBytes(StandardCharsets.UTF_8), "html", "text/html; charset=utf-8");
    }

    @PostMapping("/properties/{propertyId}/review-sheets/sheet.xlsx")
    ResponseEntity<byte[]> makeWorkbook(@PathVariable long propertyId, @Valid @RequestBody ReviewForm form) {
        return file(ReviewWorkbook.of(sheets.make(propertyId, form.selection())), "xlsx", XlsxText.TYPE);
    }

    private static ResponseEntity<byte[]> file(byte[] content, String ending, String type) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"texts-to-review." + ending + "\"")
                .header(HttpHeaders.CONTENT_TYPE, type)
                .body(content);
    }

    /** Looks at what the client decided; nothing is changed yet. */
    @PostMapping(path = "/properties/{propertyId}/review-sheets", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ReviewReturns.ReviewView look(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        if (file.getSize() > MOST_BYTES)
            throw Refusal.badInput("expected the small file that a review sheet saves, or the workbook");
        return returns.look(propertyId, file.getBytes());
    }

    @PostMapping("/properties/{propertyId}/review-sheets/{token}/take")
    ReviewReturns.Taken take(@PathVariable long propertyId, @PathVariable String token, @RequestBody ReviewTake form) {
        return returns.take(propertyId, token, form.insist());
    }

    /** What was said of the drafts of an item. */
    @GetMapping("/items/{id}/notes")
    List<ReviewSheets.DraftNote> notes(@PathVariable long id) {
        return sheets.notes(id);
    }
}
