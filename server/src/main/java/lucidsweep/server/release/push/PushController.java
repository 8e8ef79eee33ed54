package lucidsweep.server.release.push;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.release.Releases;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class PushController {

    private static final int MOST_LINES = 500;

    private final ContentSystems systems;
    private final Pushes pushes;
    private final Releases releases;

    PushController(ContentSystems systems, Pushes pushes, Releases releases) {
        this.systems = systems;
        this.pushes = pushes;
        this.releases = releases;
    }

    /** @param settings null where none is set up */
    record ContentSystemView(@Nullable ContentSettings settings) {}

    @GetMapping("/properties/{propertyId}/content-system")
    ContentSystemView settings(@PathVariable long propertyId) {
        return new ContentSystemView(systems.settings(propertyId));
    }

    @PutMapping("/properties/{propertyId}/content-system")
    ContentSystemView save(@PathVariable long propertyId, @Valid @RequestBody ContentSettings settings) {
        systems.save(propertyId, settings);
        return settings(propertyId);
    }

    @DeleteMapping("/properties/{propertyId}/content-system")
    void forget(@PathVariable long propertyId) {
        systems.forget(propertyId);
    }

    /** Reads one item of the content system, and changes nothing. */
    @PostMapping("/properties/{propertyId}/content-system/try")
    ContentSystems.Tried tryOn(@PathVariable long propertyId, @RequestParam long itemId) throws InterruptedException {
        return systems.tryOn(propertyId, itemId);
    }

    @GetMapping("/properties/{propertyId}/pushes")
    List<Pushes.PushView> ofProperty(@PathVariable long propertyId) {
        return pushes.ofProperty(propertyId);
    }

    /**
     * What is released.
     *
     * @param selection null for all that is approved
     */
    record Release(
            @Nullable @Valid Selection selection,

            @Nullable @Size(max = 200, message = "has at most 200 characters")
            String name,

            @Nullable @Size(max = 2_000, message = "has at most 2,000 characters")
            String reason,

            @Nullable Boolean holdBack) {}

    /** Puts approved drafts into a release; nothing is pushed yet. */
    @PostMapping("/properties/{propertyId}/pushes")
    Pushes.PushView create(@PathVariable long propertyId, @Valid @RequestBody Release release) {
        return pushes.create(
                propertyId,
                release.selection(),
                new Releases.Naming(
                        Objects.requireNonNullElse(release.name(), "").strip(),
                        Objects.requireNonNullElse(release.reason(), "").strip(),
                        Boolean.TRUE.equals(release.holdBack())));
    }

    /**
     * How much of a release is pushed.
     *
     * @param few so many items, chosen evenly over the sections; null for all
     * @param rehearsal whether the present texts are only looked at
     */
    record Run(
            @Nullable @Min(value = 1, message = "is 1 or more")
            Integer few,

            boolean rehearsal) {}

    record JobId(long jobId) {}

    @PostMapping("/pushes/{handoverId}/runs")
    JobId push(@PathVariable long handoverId, @Valid @RequestBody Run run) {
        return new JobId(pushes.push(handoverId, run.few(), run.rehearsal()));
    }

    @PostMapping("/pushes/{handoverId}/resume")
    JobId resume(@PathVariable long handoverId) {
        return new JobId(pushes.resume(handoverId));
    }

    /** @param selection null for all of the release */
    record Return(@Nullable @Valid Selection selection) {}

    @PostMapping("/pushes/{handoverId}/return")
    JobId takeBack(@PathVariable long handoverId, @Valid @RequestBody Return back) {
        return new JobId(pushes.takeBack(handoverId, back.selection()));
    }

    /** The texts of a release. @param state those in these states; all where there are none */
    @GetMapping("/pushes/{handoverId}/lines")
    List<PushLine> lines(
            @PathVariable long handoverId,
            @RequestParam(defaultValue = "") List<LineState> state,
            @RequestParam(defaultValue = "0") @Min(0) int offset,
            @RequestParam(defaultValue = "100") @Min(1) @Max(MOST_LINES) int limit) {
        releases.find(handoverId);
        return pushes.lines(handoverId, state, offset, limit);
    }

    /**
     * What shall become of texts that could not be pushed or taken back.
     *
     * @param itemIds null for all of them
     * @param field null for all fields of these items
     */
    record PushDecision(
            @NotNull Pushes.Wish wish,
            @Nullable List<@NotNull Long> itemIds,
            @Nullable Field field) {}

    @PostMapping("/pushes/{handoverId}/decisions")
    Map<String, Integer> decide(@PathVariable long handoverId, @Valid @RequestBody PushDecision decision) {
        return Map.of("texts", pushes.decide(handoverId, decision.wish(), decision.itemIds(), decision.field()));
    }

    /** Gives up what was not pushed. */
    @PostMapping("/pushes/{handoverId}/give-up")
    Map<String, Integer> giveUp(@PathVariable long handoverId) {
        return Map.of("texts", pushes.giveUp(handoverId));
    }
}
