package lucidsweep.server.release;

import lucidsweep.core.item.DraftState;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class DraftController {

    private final DraftTable draftTable;
    private final BeforeAfters beforeAfters;

    DraftController(DraftTable draftTable, BeforeAfters beforeAfters) {
        this.draftTable = draftTable;
        this.beforeAfters = beforeAfters;
    }

    /** What drafts make of an item. */
    @GetMapping("/items/{id}/before-after")
    BeforeAfters.BeforeAfter beforeAfter(@PathVariable long id) {
        return beforeAfters.of(id);
    }

    /** The drafts of a property. @param state null for those in any */
    @GetMapping({"/properties/{propertyId}/drafts.csv", "/properties/{propertyId}/drafts.xlsx"})
    ResponseEntity<StreamingResponseBody> drafts(
            @PathVariable long propertyId, @RequestParam(required = false) DraftState state) {
        return Rows.download("drafts", rows -> draftTable.write(propertyId, state, rows));
    }
}
