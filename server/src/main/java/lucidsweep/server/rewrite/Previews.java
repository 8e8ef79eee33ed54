package lucidsweep.server.rewrite;

import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import lucidsweep.core.compose.Composition;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.PickedItems;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.job.WorkThreads;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Previews of edits, worked out in the background; the first figures come at once, and the desk shows the texts. */
@Service
class Previews {

    private static final Logger LOG = LoggerFactory.getLogger(Previews.class);
    private static final long FIRST_MS = 150;
    private static final long AT_ONCE_MS = 400;
    private static final int MOST_ROWS = 500;

    private final Clients clients;
    private final SetStandards standards;
    private final Items items;
    private final ProposalWork work;
    private final PickedItems picked;
    private final RecentlyUsed<String, Preview> previews =
            new RecentlyUsed<>(Runtime.getRuntime().maxMemory() / 16, Preview::weight);

    /** The previews that were worked out to the end. */
    private final RecentlyUsed<Asked, String> ended = new RecentlyUsed<>(50);

    private final WorkThreads threads = new WorkThreads("preview", 2);

    /** What was previewed, and of which revision of the property. */
    private record Asked(long propertyId, long revision, Selection selection, EditSpec spec) {}

    Previews(Clients clients, SetStandards standards, Items items, ProposalWork work, PickedItems picked) {
        this.clients = clients;
        this.standards = standards;
        this.items = items;
        this.work = work;
        this.picked = picked;
    }

    /**
     * What would become of the text of one item.
     *
     * @param after the new text; null where it stays as it is
     * @param fit the new title or description held to its limits; null for other fields and where it stays
     * @param result how it came out
     * @param leftOut what a recipe left out, and why
     * @param early whether it was worked out ahead of the others, whose texts it may still turn out to be the same as
     */
    record PreviewRow(
            long itemId,
            @Nullable String after,
            @Nullable LimitCheck fit,
            String result,
            List<Composition.LeftOut> leftOut,
            boolean early) {}

    Preview.Figures start(long propertyId, Selection selection, EditSpec spec) throws InterruptedException {
        Property property = clients.property(propertyId);
        Proposals proposals = work.of(property, spec);
        long[] ids = selection.resolve(propertyId, items);
        Preview preview = new Preview(propertyId, spec, property.revision(), ids);
        String token = UUID.randomUUID().toString();
        previews.put(token, preview);
        Asked asked = new Asked(propertyId, property.revision(), selection, spec);
        threads.execute(() -> run(proposals, ids, preview, token, asked));
        preview.await(FIRST_MS);
        return preview.figures(token);
    }

    Preview.Figures figures(String token) throws InterruptedException {
        Preview preview = find(token);
        preview.await(AT_ONCE_MS);
        return preview.figures(token);
    }

    /**
     * What would become of some items. Those whose turn has not come are worked out by themselves, since somebody looks at
     * them; items that are not selected are left out.
     */
    List<PreviewRow> rows(String token, long[] ids) {
        if (ids.length > MOST_ROWS) {
            throw Refusal.badInput("expected at most " + MOST_ROWS + " items at once, got " + ids.length);
        }
        Preview preview = find(token);
        Property property = clients.property(preview.propertyId());
        ItemStandards.Held held = standards.of(property).held(ids);
        Map<Long, Preview.Line> early = new HashMap<>();
        Map<Long, List<Composition.LeftOut>> leftOut = new HashMap<>();
        long[] awaited = preview.awaited(ids);
        if (awaited.length > 0 || preview.spec().isRecipe()) {
            Proposals proposals = work.of(property, preview.spec());
            for (Proposal proposal : proposals.early(awaited))
                early.put(proposal.field().itemId(), Preview.Line.early(proposal));
            leftOut.putAll(
                    proposals.leftOut(Arrays.stream(ids).sorted().distinct().toArray()));
        }
        List<PreviewRow> rows = new ArrayList<>();
        for (long id : ids) {
            Preview.Line line = early.containsKey(id) ? early.get(id) : preview.line(id);
            if (line != null) rows.add(row(line, preview.field(), held, leftOut.getOrDefault(id, List.of())));
        }
        return rows;
    }

    private static PreviewRow row(
            Preview.Line line, Field field, ItemStandards.Held held, List<Composition.LeftOut> leftOut) {
        boolean measured = line.after() != null && (field == Field.TITLE || field == Field.DESCRIPTION);
        LimitCheck fit = measured
                ? LimitCheck.of(line.after(), held.standard(line.itemId()).limits(field))
                : null;
        return new PreviewRow(
                line.itemId(),
                line.after(),
                fit,
                line.result().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                leftOut,
                line.early());
    }

    private Preview find(String token) {
        Preview preview = previews.get(token);
        if (preview == null) throw Refusal.notFound("this preview is no longer kept; ask for it again");
        return preview;
    }

    /** Gives a preview up that nobody wants to see any more. */
    void cancel(String token) {
        Preview preview = previews.get(token);
        if (preview != null) preview.cancel();
        previews.remove(token);
    }

    /** The texts of a preview that was whole, if nothing in the property changed since. */
    Optional<MadeTexts> made(long propertyId, Selection selection, EditSpec spec) {
        long revision = clients.property(propertyId).revision();
        return Optional.ofNullable(ended.get(new Asked(propertyId, revision, selection, spec)))
                .map(previews::get)
                .map(Preview::made)
                .filter(MadeTexts::isWhole);
    }

    private void run(Proposals proposals, long[] ids, Preview preview, String token, Asked asked) {
        try {
            proposals.forEach(ids, some -> {
                if (preview.isCancelled()) throw new CancellationException();
                preview.add(some);
            });
            preview.note(proposals.says());
            for (Preview.Kind kind : Preview.Kind.values()) picked.put(nameOf(token, kind), preview.ids(kind));
            // Once more, since it is known now what it weighs.
            previews.put(token, preview);
            ended.put(asked, token);
            preview.complete(null);
        } catch (CancellationException e) {
            preview.complete("It was not worked out to the end, since another was asked for.");
        } catch (RuntimeException e) {
            LOG.error("a preview failed", e);
            preview.complete("It could not be worked out to the end: " + e.getMessage());
        }
    }

    /** Under which name the items of a preview that came out so are picked: the token, a space and "too-long". */
    private static String nameOf(String token, Preview.Kind kind) {
        return token + " " + kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @PreDestroy
    void close() {
        previews.all().values().forEach(Preview::cancel);
        threads.close();
    }
}
