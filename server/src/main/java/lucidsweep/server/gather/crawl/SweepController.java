package lucidsweep.server.gather.crawl;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import lucidsweep.server.gather.sweep.OutcomeCount;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class SweepController {

    private final Sweeps sweeps;
    private final SweepStore store;
    private final Visits visits;

    SweepController(Sweeps sweeps, SweepStore store, Visits visits) {
        this.sweeps = sweeps;
        this.store = store;
        this.visits = visits;
    }

    @GetMapping("/properties/{propertyId}/sweeps")
    List<Sweep> sweeps(@PathVariable long propertyId) {
        return store.ofProperty(propertyId);
    }

    @PostMapping("/properties/{propertyId}/sweeps")
    Sweep startSweep(@PathVariable long propertyId, @Valid @RequestBody CrawlSettings settings) {
        return sweeps.start(propertyId, settings);
    }

    /** An address to begin with. */
    record FirstAddress(
            @NotBlank(message = "is needed") @Size(max = 2_000, message = "has at most 2,000 characters")
            String address) {}

    /** Begins with nothing but an address: a client, a website and its first sweep. */
    @PostMapping("/sweeps")
    Sweep startOfAddress(@Valid @RequestBody FirstAddress first) {
        return sweeps.startOfAddress(first.address());
    }

    /** Says what a scope would make of the addresses that are known, and of some others. */
    @PostMapping("/properties/{propertyId}/scope")
    ScopeTrial tryScope(@PathVariable long propertyId, @Valid @RequestBody CrawlSettings settings) {
        return sweeps.tryScope(propertyId, settings);
    }

    @PostMapping("/items/{id}/sweep")
    Sweep sweepItem(@PathVariable long id) {
        return sweeps.startOfItem(id);
    }

    @PostMapping("/sweeps/{id}/resume")
    Sweep goOn(@PathVariable long id) {
        return sweeps.goOn(id);
    }

    @GetMapping("/sweeps/{id}/outcomes")
    List<OutcomeCount> outcomes(@PathVariable long id) {
        return visits.counts(id);
    }

    @GetMapping("/sweeps/{id}/visits")
    List<Visit> visits(
            @PathVariable long id,
            @RequestParam(required = false) String outcome,
            @RequestParam(defaultValue = "0") long after,
            @RequestParam(defaultValue = "200") int limit) {
        return visits.after(id, outcome, after, limit);
    }

    @GetMapping({"/sweeps/{id}/visits.csv", "/sweeps/{id}/visits.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(@PathVariable long id, @RequestParam(required = false) String outcome) {
        return Rows.download("sweep", csv -> {
            csv.row("address", "outcome", "status", "detail", "redirect_to", "found_on", "depth", "millis", "bytes");
            visits.forEach(
                    id,
                    outcome,
                    visit -> csv.row(
                            visit.address(),
                            visit.outcome(),
                            visit.status(),
                            visit.detail(),
                            visit.redirectTo(),
                            visit.foundOn(),
                            visit.depth(),
                            visit.millis(),
                            visit.bytes()));
        });
    }
}
