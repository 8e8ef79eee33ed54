package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.web.Refusal;
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
@RequestMapping("/api")
class ReleaseController {

    private final Releases releases;
    private final HandoverFormats formats;
    private final DeliveryCheck check;
    private final LiveWatch liveWatch;
    private final HeldBack heldBack;

    ReleaseController(
            Releases releases, HandoverFormats formats, DeliveryCheck check, LiveWatch liveWatch, HeldBack heldBack) {
        this.releases = releases;
        this.formats = formats;
        this.check = check;
        this.liveWatch = liveWatch;
        this.heldBack = heldBack;
    }

    /**
     * What becomes of drafts.
     *
     * @param fields null or empty for all
     * @param asOf the revision of the property that was looked at; null to decide whatever is there now
     * @param note what is said of the drafts; null for nothing
     */
    record Decision(
            @Valid @NotNull Selection selection,
            List<Field> fields,
            @NotNull DraftState state,
            Long asOf,

            @Nullable @Size(max = 2_000, message = "has at most 2,000 characters")
            String note) {}

    /**
     * What is delivered.
     *
     * @param selection null for all that is approved
     * @param holdBack whether a random tenth of the items is left as it is; null for not
     */
    record Delivery(
            @NotNull String format,
            @Nullable @Valid Selection selection,

            @Nullable @Size(max = 200, message = "has at most 200 characters")
            String name,

            @Nullable @Size(max = 2_000, message = "has at most 2,000 characters")
            String reason,

            @Nullable Boolean holdBack) {}

    @PostMapping("/properties/{propertyId}/decisions")
    Releases.Decided decide(@PathVariable long propertyId, @Valid @RequestBody Decision decision) {
        return releases.decide(
                propertyId,
                decision.selection(),
                decision.fields(),
                decision.state(),
                decision.asOf(),
                Objects.requireNonNullElse(decision.note(), "").strip());
    }

    /**
     * A handover, and how many of its texts the last sweeps saw in which state.
     *
     * @param live states without any are left out
     * @param heldBack how many items it left as they are, so that its effect can be told
     */
    record HandoverView(Handover handover, Map<LiveState, Integer> live, int heldBack) {}

    @GetMapping("/properties/{propertyId}/handovers")
    List<HandoverView> handovers(@PathVariable long propertyId) {
        Map<Long, Map<LiveState, Integer>> live = liveWatch.counts(propertyId);
        Map<Long, Integer> held = heldBack.counts(propertyId);
        return releases.ofProperty(propertyId).stream()
                .map(handover -> new HandoverView(
                        handover, live.getOrDefault(handover.id(), Map.of()), held.getOrDefault(handover.id(), 0)))
                .toList();
    }

    @PostMapping("/properties/{propertyId}/handovers")
    Handover handOver(@PathVariable long propertyId, @Valid @RequestBody Delivery delivery) {
        return releases.handOver(
                propertyId,
                delivery.selection(),
                delivery.format(),
                new Releases.Naming(
                        Objects.requireNonNullElse(delivery.name(), "").strip(),
                        Objects.requireNonNullElse(delivery.reason(), "").strip(),
                        Boolean.TRUE.equals(delivery.holdBack())));
    }

    /** How many items were let go. */
    record LetGo(int items) {}

    /** Lets the items go that a release held back: the next delivery holds their drafts. */
    @PostMapping("/handovers/{id}/let-go")
    LetGo letGo(@PathVariable long id) {
        return new LetGo(heldBack.letGo(releases.find(id).id()));
    }

    /** The mistakes that delivering what is approved would make. */
    @GetMapping("/properties/{propertyId}/handover-objections")
    List<DeliveryCheck.Objection> objections(@PathVariable long propertyId) {
        return check.of(propertyId);
    }

    /** The formats that a property can be delivered in. */
    @GetMapping("/properties/{propertyId}/handover-formats")
    List<String> handoverFormats(@PathVariable long propertyId) {
        return releases.formats(propertyId).stream().map(HandoverFormat::code).toList();
    }

    /** The pages that a handover changes, as a sitemap. */
    @GetMapping("/handovers/{id}/sitemap.xml")
    ResponseEntity<StreamingResponseBody> sitemap(@PathVariable long id) {
        HandoverLines lines = releases.linesForSitemap(id);
        if (lines.handover().items() > ChangedSitemap.MOST_PAGES) {
            throw Refusal.conflict("a sitemap holds at most 50,000 pages; ask for sitemaps.zip, which has several");
        }
        StreamingResponseBody body = out -> ChangedSitemap.write(lines, out);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"changed-" + id + ".xml\"")
                .header(HttpHeaders.CONTENT_TYPE, "application/xml")
                .body(body);
    }

    /** The same as several sitemaps with their index, in an archive. */
    @GetMapping("/handovers/{id}/sitemaps.zip")
    ResponseEntity<StreamingResponseBody> sitemaps(@PathVariable long id) {
        HandoverLines lines = releases.linesForSitemap(id);
        String root = releases.root(lines.handover());
        StreamingResponseBody body = out -> ChangedSitemap.writeAll(lines, root, ChangedSitemap.MOST_PAGES, out);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"changed-" + id + ".zip\"")
                .header(HttpHeaders.CONTENT_TYPE, "application/zip")
                .body(body);
    }

    @GetMapping("/handovers/{id}/file")
    ResponseEntity<StreamingResponseBody> file(@PathVariable long id) {
        Handover handover = releases.find(id);
        HandoverFormat format = formats.find(handover.format());
        StreamingResponseBody body = out -> releases.write(handover, out);
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        "attachment; filename=\"handover-" + id + "-" + format.code() + "." + format.ending() + "\"")
                .header(HttpHeaders.CONTENT_TYPE, format.mediaType())
                .body(body);
    }
}
