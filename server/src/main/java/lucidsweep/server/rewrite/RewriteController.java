package lucidsweep.server.rewrite;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.triage.FindingsQueue;
import lucidsweep.server.web.AwaitsDisk;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.PreferredWait;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class RewriteController {

    private static final int AT_ONCE = 2_000;

    private final Batches batches;
    private final Previews previews;
    private final Items items;
    private final SetStandards standards;
    private final Keeps keeps;
    private final Wordings wordings;
    private final Consequences consequences;
    private final Clients clients;
    private final Jobs jobs;

    RewriteController(
            Batches batches,
            Previews previews,
            Items items,
            SetStandards standards,
            Keeps keeps,
            Wordings wordings,
            Consequences consequences,
            Clients clients,
            Jobs jobs) {
        this.batches = batches;
        this.previews = previews;
        this.items = items;
        this.standards = standards;
        this.keeps = keeps;
        this.wordings = wordings;
        this.consequences = consequences;
        this.clients = clients;
        this.jobs = jobs;
    }

    /**
     * An edit of a selection.
     *
     * @param asOf the revision of the property that was previewed; null to edit whatever is there now
     */
    record SelectionEdit(
            @Valid @NotNull Selection selection,
            @Valid @NotNull EditSpec spec,
            Long asOf) {}

    /**
     * The batch where it is done already; else the job that does it.
     *
     * @param left what was delivered meanwhile, and stays
     */
    record Applied(@Nullable Batch batch, @Nullable Long jobId, List<Batches.Left> left) {

        static Applied of(Batches.Turned turned) {
            return new Applied(turned.batch(), null, turned.left());
        }
    }

    /**
     * Texts as they are typed.
     *
     * @param keyword "" for none
     * @param itemId whose they are; null to hold them to what the property is held to
     * @param date what the result page puts before the description; null or "" for nothing
     */
    record Typed(
            @Size(max = 100_000, message = "has at most 100,000 characters")
            String title,

            @Size(max = 100_000, message = "has at most 100,000 characters")
            String description,

            @Size(max = 500, message = "has at most 500 characters")
            String keyword,

            @Nullable Long itemId,

            @Nullable @Size(max = 40, message = "has at most 40 characters")
            String date) {}

    record Looks(Appearance title, Appearance description) {}

    /** Fields that stay as they are; reason null stops keeping them. */
    record Keep(
            @Valid @NotNull Selection selection,
            @NotNull List<Field> fields,

            @Size(max = 1_000, message = "has at most 1,000 characters")
            String reason) {}

    record KeptFields(int fields) {}

    @PostMapping("/properties/{propertyId}/previews")
    Preview.Figures preview(@PathVariable long propertyId, @Valid @RequestBody SelectionEdit edit)
            throws InterruptedException {
        return previews.start(propertyId, edit.selection(), edit.spec());
    }

    @GetMapping("/previews/{token}")
    Preview.Figures figures(@PathVariable String token) throws InterruptedException {
        return previews.figures(token);
    }

    /** What would become of some items, such as those in view. */
    @GetMapping("/previews/{token}/rows")
    List<Previews.PreviewRow> previewRows(@PathVariable String token, @RequestParam long[] ids) {
        return previews.rows(token, ids);
    }

    @DeleteMapping("/previews/{token}")
    void cancel(@PathVariable String token) {
        previews.cancel(token);
    }

    @GetMapping("/properties/{propertyId}/batches")
    List<Batch> batches(@PathVariable long propertyId) {
        return batches.ofProperty(propertyId);
    }

    @PostMapping("/properties/{propertyId}/batches")
    Applied apply(@PathVariable long propertyId, @Valid @RequestBody SelectionEdit edit) {
        edit.spec().check();
        EditSpec spec = edit.spec();
        Optional<MadeTexts> made = previews.made(propertyId, edit.selection(), spec);
        long[] ids = made.isPresent() ? made.get().ids() : edit.selection().resolve(propertyId, items);
        BatchWork work = progress -> made.isPresent()
                ? batches.apply(propertyId, made.get(), spec, edit.asOf(), progress)
                : batches.apply(propertyId, ids, spec, edit.asOf(), progress);
        if (ids.length <= AT_ONCE) return new Applied(work.run(Progress.UNWATCHED), null, List.of());
        // A job cannot ask back: what is known to have changed already is said at once.
        batches.refuseChangedMeanwhile(propertyId, ids, spec, edit.asOf());
        return inBackground(propertyId, spec.title(), work);
    }

    /** Answered once the texts are on the disk and, unless it is preferred otherwise, what is found of them is known. */
    @AwaitsDisk
    @PostMapping("/properties/{propertyId}/cells")
    Batch type(
            @PathVariable long propertyId,
            @RequestBody List<Batches.@Valid @NotNull TypedCell> cells,
            @RequestHeader(name = "Prefer", required = false) String prefer) {
        return batches.type(propertyId, cells, PreferredWait.of(prefer, FindingsQueue.PATIENCE));
    }

    /** Fills, discards or pastes over a rectangle of the desk. */
    @PostMapping("/properties/{propertyId}/ranges")
    Applied changeRange(@PathVariable long propertyId, @Valid @RequestBody RangeEdit edit) {
        int texts = edit.count() * edit.fields().size();
        if (texts <= AT_ONCE) {
            return new Applied(batches.change(propertyId, edit, Progress.UNWATCHED), null, List.of());
        }
        batches.refuseChangedMeanwhile(propertyId, edit);
        return inBackground(propertyId, edit.title(texts), progress -> batches.change(propertyId, edit, progress));
    }

    @PostMapping("/batches/{id}/undo")
    Applied undo(@PathVariable long id) {
        Batch batch = batches.find(id);
        if (batch.items() <= AT_ONCE) return Applied.of(batches.undo(id, Progress.UNWATCHED));
        return turnInBackground(batch.propertyId(), "Undo: " + batch.title(), progress -> batches.undo(id, progress));
    }

    @PostMapping("/batches/{id}/redo")
    Applied redo(@PathVariable long id) {
        Batch batch = batches.find(id);
        if (batch.items() <= AT_ONCE) return Applied.of(batches.redo(id, Progress.UNWATCHED));
        return turnInBackground(batch.propertyId(), "Redo: " + batch.title(), progress -> batches.redo(id, progress));
    }

    @GetMapping("/items/{id}/history")
    List<Batches.Past> history(@PathVariable long id) {
        return batches.history(id);
    }

    @PostMapping("/properties/{propertyId}/looks")
    Looks looks(@PathVariable long propertyId, @Valid @RequestBody Typed typed) {
        Property property = clients.property(propertyId);
        ItemStandards held = standards.of(property);
        Standard standard = held.base();
        if (typed.itemId() != null) {
            items.requireOf(propertyId, typed.itemId());
            standard = held.held(new long[] {typed.itemId()}).standard(typed.itemId());
        }
        Words words = Words.in(property.language());
        Phrase keyword =
                typed.keyword() == null || typed.keyword().isBlank() ? null : Phrase.of(typed.keyword(), words);
        return new Looks(
                Appearance.of(orEmpty(typed.title()), standard.title(), words, keyword),
                Appearance.of(
                        orEmpty(typed.date()), orEmpty(typed.description()), standard.description(), words, keyword));
    }

    /** Texts to hold side by side, the one that is worked on first. */
    record WordingsAsked(
            @NotNull Field field,

            @NotNull(message = "are needed") @Size(max = 6, message = "has at most 6 texts")
            List<@NotNull @Size(max = 100_000, message = "has at most 100,000 characters") String> texts) {}

    /** What each of some wordings would reach, and small changes of the first. */
    @PostMapping("/items/{id}/wordings")
    Wordings.SideBySide wordings(@PathVariable long id, @Valid @RequestBody WordingsAsked asked) {
        return wordings.of(id, asked.field(), asked.texts());
    }

    /** What follows from a change, in words; "" for nothing. */
    record Follows(String says) {}

    /** What would follow where a page gets another slug, or is switched on or off. */
    @GetMapping("/items/{id}/consequences")
    Follows consequences(@PathVariable long id, @RequestParam Field field, @RequestParam String after) {
        if (!Consequences.areOf(field)) return new Follows("");
        Consequences.Sum sum = consequences.sum(items.propertyOf(id), field);
        sum.add(Map.of(id, after));
        return new Follows(sum.says());
    }

    @PostMapping("/properties/{propertyId}/keeps")
    KeptFields keep(@PathVariable long propertyId, @Valid @RequestBody Keep keep) {
        long[] ids = keep.selection().resolve(propertyId, items);
        return new KeptFields(keeps.keep(propertyId, ids, keep.fields(), keep.reason()));
    }

    private interface BatchWork {
        Batch run(Progress progress);
    }

    private Applied inBackground(long propertyId, String title, BatchWork work) {
        return begun(jobs.start(
                propertyId,
                "batch",
                title,
                progress -> Counted.of(work.run(progress).items(), "text") + " changed."));
    }

    private interface Turn {
        Batches.Turned run(Progress progress);
    }

    private Applied turnInBackground(long propertyId, String title, Turn turn) {
        return begun(jobs.start(propertyId, "batch", title, progress -> {
            Batches.Turned turned = turn.run(progress);
            int delivered = turned.left().stream().mapToInt(Batches.Left::texts).sum();
            String texts = Counted.of(turned.batch().items() - delivered, "text");
            String done = turned.batch().state() == Batch.State.UNDONE ? texts + " as before" : texts + " changed";
            if (delivered == 0) return done + ".";
            return done + "; " + Counted.of(delivered, "text") + " delivered since, " + Batches.said(turned.left())
                    + ", stayed.";
        }));
    }

    private static Applied begun(long job) {
        return new Applied(null, job, List.of());
    }

    private static String orEmpty(String text) {
        return text == null ? "" : text;
    }
}
