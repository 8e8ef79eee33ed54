package lucidsweep.server.aim.targets;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import lucidsweep.server.item.table.Selection;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class TargetController {

    private final TargetDecisions aims;

    TargetController(TargetDecisions aims) {
        this.aims = aims;
    }

    /** A target for items; keywordId null clears it. */
    record AimOrder(@Valid @NotNull Selection selection, Long keywordId) {}

    /** How many items something was done to. */
    record AimedItems(int items) {}

    /** Keeps the keywords of items as they were worked out. */
    @PostMapping("/targets/keep")
    AimedItems keepTargets(@PathVariable long propertyId, @Valid @RequestBody Selection selection) {
        return new AimedItems(aims.keep(propertyId, selection));
    }

    @PostMapping("/targets")
    AimedItems aim(@PathVariable long propertyId, @Valid @RequestBody AimOrder aim) {
        return new AimedItems(aims.set(propertyId, aim.selection(), aim.keywordId()));
    }

    @PostMapping("/targets/free")
    AimedItems free(@PathVariable long propertyId, @Valid @RequestBody Selection selection) {
        return new AimedItems(aims.free(propertyId, selection));
    }
}
