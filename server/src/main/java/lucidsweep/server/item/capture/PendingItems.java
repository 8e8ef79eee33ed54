package lucidsweep.server.item.capture;

import java.util.ArrayList;
import java.util.List;
import java.util.LongSummaryStatistics;
import java.util.function.LongSupplier;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.FieldId;

/** The rows that a few items make. */
final class PendingItems {

    private final CaptureMapper mapper;
    private final KnownItems known;
    private final LongSupplier captureIds;
    private final ImportedRows.Writer rows;
    private final List<Long> seen = new ArrayList<>();
    private final List<CaptureMapper.ItemValues> newItems = new ArrayList<>();
    private final List<CaptureMapper.ItemValues> changedItems = new ArrayList<>();
    private final List<CaptureMapper.CaptureValues> captures = new ArrayList<>();
    private final List<CaptureMapper.BodyValues> bodies = new ArrayList<>();
    private final List<CaptureMapper.Source> sources = new ArrayList<>();

    /**
     * Prepares to store items.
     *
     * @param rows takes what an import read of them; null of a crawl
     */
    PendingItems(CaptureMapper mapper, KnownItems known, LongSupplier captureIds, ImportedRows.Writer rows) {
        this.mapper = mapper;
        this.known = known;
        this.captureIds = captureIds;
        this.rows = rows;
    }

    List<Captures.Stored> store(List<CapturedItem> items) {
        if (items.isEmpty()) return List.of();
        List<Captures.Stored> stored = new ArrayList<>(items.size());
        for (CapturedItem item : items) stored.add(add(item));
        write(items.get(0).sweepId());
        return stored;
    }

    private boolean isImport() {
        return rows != null;
    }

    private Captures.Stored add(CapturedItem item) {
        long addressHash = TextKey.exactHash(item.identity());
        int place = known.place(addressHash);
        boolean isNew = place == KnownItems.NONE;
        if (isNew) place = known.add(addressHash, item.sweepId());
        boolean wasGone = known.isGone(place);
        known.see(place);
        boolean isKnownBetter = isImport() && item.tags() == null && known.isCrawled(place) && !wasGone;
        if (isKnownBetter) return unchanged(item, place);
        if (!isNew && known.content(place) == item.content().hash()) {
            // An import knows from its rows what it has seen; a crawl that goes on after a kill does not.
            if (!isImport() || wasGone) seen.add(known.id(place));
            return unchanged(item, place);
        }
        long id = known.id(place);
        long captureId = captureIds.getAsLong();
        CapturedItem.Content content = item.content();
        known.set(place, captureId, content.hash(), item.page().h1Count() >= 0);
        (isNew ? newItems : changedItems).add(values(item, id, addressHash, captureId, known.firstSweep(place)));
        if (isImport()) {
            String became = isNew ? "new" : "changed";
            rows.add(new ImportedRow(captureId, item.address(), became, id, captureId, content.facts()));
        } else {
            captures.add(
                    new CaptureMapper.CaptureValues(captureId, id, item.sweepId(), content.hash(), content.facts()));
            bodies.add(new CaptureMapper.BodyValues(captureId, content.copy(), content.links()));
            keepSource(item, captureId);
        }
        return new Captures.Stored(id, captureId);
    }

    private Captures.Stored unchanged(CapturedItem item, int place) {
        long id = known.id(place);
        long captureId = known.capture(place);
        if (isImport()) rows.add(new ImportedRow(rows.nextId(), item.address(), "unchanged", id, captureId, ""));
        else keepSource(item, captureId);
        return new Captures.Stored(id, captureId);
    }

    private void keepSource(CapturedItem item, long captureId) {
        if (item.content().source() != null) {
            sources.add(new CaptureMapper.Source(captureId, item.content().source()));
        }
    }

    private void write(long sweepId) {
        long[] changed =
                changedItems.stream().mapToLong(CaptureMapper.ItemValues::id).toArray();
        long[] seenAgain = seen.stream().mapToLong(Long::longValue).toArray();
        if (isImport()) {
            Captures.forEachFew(seenAgain, some -> mapper.keepItems(sweepId, some));
            Captures.forEachFew(changed, some -> mapper.keepItems(sweepId, some));
        }
        Captures.forEachFew(seenAgain, some -> mapper.seen(sweepId, some));
        ManyRows.each(newItems, mapper::insertItems);
        if (isAnyDrafted()) Captures.forEachFew(changed, some -> mapper.forgetMeasures(FieldId.ofMeasured(some)));
        ManyRows.each(changedItems, mapper::changeItems);
        ManyRows.each(captures, mapper::insertCaptures);
        ManyRows.each(bodies, mapper::insertBodies);
        ManyRows.each(sources, mapper::keepSources);
    }

    /** Whether anything is drafted for the items that changed, or for any between them. */
    private boolean isAnyDrafted() {
        if (changedItems.isEmpty()) return false;
        LongSummaryStatistics ids =
                changedItems.stream().mapToLong(CaptureMapper.ItemValues::id).summaryStatistics();
        return mapper.isAnyDrafted(FieldId.first(ids.getMin()), FieldId.last(ids.getMax()));
    }

    private static CaptureMapper.ItemValues values(
            CapturedItem item, long id, long addressHash, long captureId, long firstSweep) {
        return new CaptureMapper.ItemValues(
                id,
                item.propertyId(),
                item.address(),
                addressHash,
                item.section(),
                item.noindex() == null ? null : item.noindex().reason().code(),
                item.noindex() == null ? null : item.noindex().detail(),
                item.page(),
                item.listing(),
                new CaptureMapper.Version(
                        captureId, item.content().hash(), item.content().textHash(), firstSweep, item.sweepId(), false),
                texts(item));
    }

    private static CaptureMapper.Texts texts(CapturedItem item) {
        CapturedItem.Text title = item.title();
        CapturedItem.Text description = item.description();
        CapturedItem.Text tags = item.tags();
        return new CaptureMapper.Texts(
                title.text(),
                title.count(),
                title.measure().px(),
                title.measure().alike(),
                description.text(),
                description.count(),
                description.measure().px(),
                description.measure().alike(),
                tags == null ? null : tags.text(),
                tags == null ? 0 : tags.measure().px(),
                tags == null ? 0 : tags.measure().alike());
    }
}
