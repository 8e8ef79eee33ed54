package lucidsweep.server.rewrite;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;

/** Previews of edits, worked out in the background; the first figures come at once. */
@Service
class Previews {

    private static final Logger LOG = LoggerFactory.getLogger(Previews.class);
    private static final long AT_ONCE_MS = 400;

    private final Clients clients;
    private final SetStandards standards;
    private final Items items;
    private final Drafts drafts;
    private final Cache<String, Preview> previews =
            Caffeine.newBuilder().maximumSize(50).build();
    private final Cache<Asked, MadeTexts> made = Caffeine.newBuilder()
            .maximumWeight(MadeTexts.MAX_CHARS)
            .weigher((Asked asked, MadeTexts texts) -> texts.chars() + 64)
            .build();
    private final ExecutorService threads = Executors.newFixedThreadPool(2);

    /** What was previewed, and of which revision of the property. */
    private record Asked(long propertyId, long revision, Selection selection, EditSpec spec) {}

    Previews(Clients clients, SetStandards standards, Items items, Drafts drafts) {
        this.clients = clients;
        this.standards = standards;
        this.items = items;
        this.drafts = drafts;
    }

    Preview.Figures start(long propertyId, Selection selection, EditSpec spec) throws InterruptedException {
        Property property = clients.property(propertyId);
        Proposals proposals = new Proposals(
                property, clients.client(property.clientId()), spec, standards.of(property), items, drafts);
        long[] ids = selection.resolve(propertyId, items);
        Preview preview = new Preview(spec.field(), property.revision(), ids.length);
        String token = UUID.randomUUID().toString();
        previews.put(token, preview);
        Asked asked = new Asked(propertyId, property.revision(), selection, spec);
        threads.execute(() -> run(proposals, ids, preview, asked));
        preview.await(AT_ONCE_MS);
        return preview.figures(token);
    }

    Preview.Figures figures(String token) throws InterruptedException {
        Preview preview = previews.getIfPresent(token);
        if (preview == null) throw Refusal.notFound("this preview is no longer kept; ask for it again");
        preview.await(AT_ONCE_MS);
        return preview.figures(token);
    }

    /** Gives a preview up that nobody wants to see any more. */
    void cancel(String token) {
        Preview preview = previews.getIfPresent(token);
        if (preview != null) preview.cancel();
        previews.invalidate(token);
    }

    /** The texts of a preview that was whole, if nothing in the property changed since. */
    Optional<MadeTexts> made(long propertyId, Selection selection, EditSpec spec) {
        long revision = clients.property(propertyId).revision();
        return Optional.ofNullable(made.getIfPresent(new Asked(propertyId, revision, selection, spec)));
    }

    private void run(Proposals proposals, long[] ids, Preview preview, Asked asked) {
        try {
            proposals.forEach(ids, some -> {
                if (preview.isCancelled()) throw new CancellationException();
                preview.add(some);
            });
            if (preview.made().isWhole()) made.put(asked, preview.made());
            preview.complete(null);
        } catch (CancellationException e) {
            preview.complete("It was not worked out to the end, since another was asked for.");
        } catch (RuntimeException e) {
            LOG.error("a preview failed", e);
            preview.complete("It could not be worked out to the end: " + e.getMessage());
        }
    }

    @PreDestroy
    void close() {
        threads.shutdownNow();
    }
}
