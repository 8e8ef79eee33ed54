package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.acceptance.ShownWording;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}/acceptance")
class AcceptanceController {

    private final Acceptances acceptances;

    AcceptanceController(Acceptances acceptances) {
        this.acceptances = acceptances;
    }

    /** What result pages make of the texts that are live; of one handover, or of all. */
    @GetMapping
    Acceptances.AcceptanceView acceptance(
            @PathVariable long propertyId, @RequestParam(required = false) @Nullable Long handover) {
        return acceptances.of(propertyId, handover);
    }

    /** The first results that show our texts so. */
    @GetMapping("/results")
    List<Acceptances.ShownResult> results(
            @PathVariable long propertyId,
            @RequestParam(required = false) @Nullable Long handover,
            @RequestParam ShownWording wording) {
        return acceptances.shown(propertyId, handover, wording);
    }
}
