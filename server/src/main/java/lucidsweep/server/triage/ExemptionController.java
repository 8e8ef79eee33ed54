package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.Rows;
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
class ExemptionController {

    private final Exemptions exemptions;
    private final ExemptionFile file;
    private final Items items;

    ExemptionController(Exemptions exemptions, ExemptionFile file, Items items) {
        this.exemptions = exemptions;
        this.file = file;
        this.items = items;
    }

    /**
     * Items that need not pass a check.
     *
     * @param until the day on which its findings come back; null for never
     */
    record NewExemptions(
            @Valid @NotNull Selection selection,
            @NotNull Field field,
            @NotNull String check,
            @NotNull String reason,
            LocalDate until) {}

    /**
     * Items that are to pass a check again.
     *
     * @param selection null for those that were exempted at a moment
     */
    record EndedExemptions(
            @Valid @Nullable Selection selection,
            @Nullable Instant at,
            @NotNull Field field,
            @NotNull String check) {}

    record ExemptItems(int items) {}

    @PostMapping("/properties/{propertyId}/exemptions")
    Exemptions.Exempted exempt(@PathVariable long propertyId, @Valid @RequestBody NewExemptions order) {
        long[] ids = order.selection().resolve(propertyId, items);
        return exemptions.exempt(propertyId, ids, order.field(), order.check(), order.reason(), order.until());
    }

    @PostMapping("/properties/{propertyId}/exemptions/end")
    ExemptItems end(@PathVariable long propertyId, @Valid @RequestBody EndedExemptions order) {
        if ((order.selection() == null) == (order.at() == null))
            throw Refusal.badInput("expected either a selection or the moment at which items were exempted");
        if (order.selection() == null)
            return new ExemptItems(exemptions.undo(propertyId, order.field(), order.check(), order.at()));
        long[] ids = order.selection().resolve(propertyId, items);
        return new ExemptItems(exemptions.remove(propertyId, ids, order.field(), order.check()));
    }

    @GetMapping({"/properties/{propertyId}/exemptions.csv", "/properties/{propertyId}/exemptions.xlsx"})
    ResponseEntity<StreamingResponseBody> file(@PathVariable long propertyId) {
        return Rows.download("exemptions", rows -> file.write(propertyId, rows));
    }

    @GetMapping("/items/{id}/exemptions")
    List<Exemption> ofItem(@PathVariable long id) {
        return exemptions.ofItem(id);
    }
}
