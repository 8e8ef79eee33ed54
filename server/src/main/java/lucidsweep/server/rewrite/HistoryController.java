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
     * @param total how many texts
     * @param texts the first 500 of them
     */
    record ChangesView(int total, List<BatchChanges.ChangedText> texts) {}

    private interface Walk {
        void over(Consumer<BatchChanges.ChangedText> visit);
    }

    @GetMapping("/batches/{id}/changes")
    ChangesView batchChanges(@PathVariable long id) {
        return view(visit -> changes.ofBatch(id, visit));
    }

    @GetMapping({"/batches/{id}/changes.csv", "/batches/{id}/changes.xlsx"})
    ResponseEntity<StreamingResponseBody> batchChangesFile(@PathVariable long id) {
        return file(visit -> changes.ofBatch(id, visit));
    }

    /** What differs between right after one batch, or before all of them where it is 0, and right after a later one. */
    @GetMapping("/properties/{propertyId}/changes")
    ChangesView changesBetween(@PathVariable long propertyId, @RequestParam long from, @RequestParam long to) {
        return view(visit -> changes.between(propertyId, from, to, visit));
    }

    @GetMapping({"/properties/{propertyId}/changes.csv", "/properties/{propertyId}/changes.xlsx"})
    ResponseEntity<StreamingResponseBody> changesBetweenFile(
            @PathVariable long propertyId, @RequestParam long from, @RequestParam long to) {
        return file(visit -> changes.between(propertyId, from, to, visit));
    }

    private static ChangesView view(Walk walk) {
        List<BatchChanges.ChangedText> texts = new ArrayList<>();
        int[] total = {0};
        walk.over(text -> {
            if (total[0]++ < SHOWN) texts.add(text);
        });
        return new ChangesView(total[0], texts);
    }

    private static ResponseEntity<StreamingResponseBody> file(Walk walk) {
        return Rows.download("changes", rows -> {
            rows.row("address", "field", "before", "after");
            walk.over(text -> rows.row(text.address(), text.field(), text.before(), text.after()));
        });
    }
}
