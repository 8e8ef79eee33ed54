package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What was changed: by one batch, and between two moments. */
@RestController
@RequestMapping("/api")
class HistoryController {

    private static final int SHOWN = 500;

    private final BatchChanges changes;

    HistoryController(BatchChanges changes) {
        this.changes = changes;
    }

    /**
     * What was changed.
     *
     * @param total how many texts were touched
     * @param texts of the first 500 of them those that say something else than before
     */
    record ChangesView(int total, List<BatchChanges.ChangedText> texts) {}

    private interface Walk {
        int over(int most, Consumer<BatchChanges.ChangedText> visit);
    }

    @GetMapping("/batches/{id}/changes")
    ChangesView batchChanges(@PathVariable long id) {
        return view((most, visit) -> changes.ofBatch(id, most, visit));
    }

    @GetMapping({"/batches/{id}/changes.csv", "/batches/{id}/changes.xlsx"})
    ResponseEntity<StreamingResponseBody> batchChangesFile(@PathVariable long id) {
        return file((most, visit) -> changes.ofBatch(id, most, visit));
    }

    /** What differs between right after one batch, or before all of them where it is 0, and right after a later one. */
    @GetMapping("/properties/{propertyId}/changes")
    ChangesView changesBetween(@PathVariable long propertyId, @RequestParam long from, @RequestParam long to) {
        return view((most, visit) -> changes.between(propertyId, from, to, most, visit));
    }

    @GetMapping({"/properties/{propertyId}/changes.csv", "/properties/{propertyId}/changes.xlsx"})
    ResponseEntity<StreamingResponseBody> changesBetweenFile(
            @PathVariable long propertyId, @RequestParam long from, @RequestParam long to) {
        return file((most, visit) -> changes.between(propertyId, from, to, most, visit));
    }

    private static ChangesView view(Walk walk) {
        List<BatchChanges.ChangedText> texts = new ArrayList<>();
        int total = walk.over(SHOWN, texts::add);
        return new ChangesView(total, texts);
    }

    private static ResponseEntity<StreamingResponseBody> file(Walk walk) {
        return Rows.download("changes", rows -> {
            rows.row("address", "field", "before", "after");
            walk.over(Integer.MAX_VALUE, text -> rows.row(text.address(), text.field(), text.before(), text.after()));
        });
    }
}
