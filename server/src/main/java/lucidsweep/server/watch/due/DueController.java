package lucidsweep.server.watch.due;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import lucidsweep.server.client.Clients;
import lucidsweep.server.web.Rows;
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
@RequestMapping("/api/properties/{propertyId}/watch")
class DueController {

    private final DueList dueList;
    private final Clients clients;

    DueController(DueList dueList, Clients clients) {
        this.dueList = dueList;
        this.clients = clients;
    }

    /** What is due and what will be, the earliest first. */
    @GetMapping("/due")
    List<Due> due(@PathVariable long propertyId) {
        return dueList.of(propertyId);
    }

    @GetMapping({"/due.csv", "/due.xlsx"})
    ResponseEntity<StreamingResponseBody> file(@PathVariable long propertyId) {
        List<Due> all = dueList.of(propertyId);
        return Rows.download("due", rows -> {
            rows.row("day", "due", "kind", "what", "note");
            all.forEach(each ->
                    rows.row(each.day().toString(), each.due() ? "yes" : "no", each.kind(), each.text(), each.note()));
        });
    }

    /** The same as a calendar file. */
    @GetMapping("/due.ics")
    ResponseEntity<String> calendar(@PathVariable long propertyId) {
        String name = clients.client(clients.property(propertyId).clientId()).name();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, "text/calendar; charset=utf-8")
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"due.ics\"")
                .body(DueCalendar.of(propertyId, name, dueList.of(propertyId)));
    }

    /**
     * What becomes of something that is due.
     *
     * @param until the day to come back to it on, where it is put off; else null
     */
    record DueDecision(
            @NotNull(message = "is needed") String key,
            @NotNull(message = "is needed") DueList.State state,
            @Nullable LocalDate until,

            @Nullable @Size(max = 1_000, message = "has at most 1,000 characters")
            String note) {}

    @PostMapping("/due/decide")
    List<Due> decide(@PathVariable long propertyId, @Valid @RequestBody DueDecision decision) {
        dueList.decide(
                propertyId,
                decision.key(),
                decision.state(),
                decision.until(),
                Objects.requireNonNullElse(decision.note(), ""));
        return dueList.of(propertyId);
    }

    /** Something that was due, by its key. */
    record DueKey(@NotNull(message = "is needed") String key) {}

    /** Takes back what was said of it. */
    @PostMapping("/due/again")
    List<Due> again(@PathVariable long propertyId, @Valid @RequestBody DueKey due) {
        dueList.forget(propertyId, due.key());
        return dueList.of(propertyId);
    }
}
