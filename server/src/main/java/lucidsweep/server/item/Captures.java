package lucidsweep.server.item;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.LongStream;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Columns;
import lucidsweep.server.job.Lookahead;
import org.springframework.stereotype.Service;

/** Stores what sweeps see: a new capture only where something differs; drafts, targets and keeps stay as they are. */
@Service
public class Captures {

    private static final int ITEMS_CHUNK = 1_000;
    private static final int LINKS_CHUNK = 200;
    private static final int COUNTS_AT_ONCE = 500;
    private static final int LIST = 200;

    private final CaptureMapper mapper;
    private final IdBlock itemIds;
    private final IdBlock captureIds;

    Captures(CaptureMapper mapper) {
        this.mapper = mapper;
        itemIds = new IdBlock(mapper::nextItemBlock);
        captureIds = new IdBlock(mapper::nextCaptureBlock);
    }

    /**
     * Where an item's capture was put.
     *
     * @param changed whether it differs from the capture before
     */
    public record Stored(long itemId, long captureId, boolean isNew, boolean changed) {}

    /**
     * Stores items of one property, within the caller's transaction; a few hundred at a time are fastest.
     *
     * @param items no two with the same identity
     * @return for each, in the same order
     */
    public List<Stored> store(long propertyId, List<CapturedItem> items) {
        if (items.isEmpty()) return List.of();
        return new Pending(known(propertyId, items)).store(items, item -> false);
    }

    private Map<Long, CaptureMapper.Known> known(long propertyId, List<CapturedItem> items) {
        Map<Long, CaptureMapper.Known> known = new HashMap<>();
        mapper.known(propertyId, hashes(items)).forEach(each -> known.put(each.addressHash(), each));
        return known;
    }

    /**
     * The same of an import, which can be taken back. Pages that a crawl has read stay as it saw them: it knows more than a
     * list does.
     */
    public List<Stored> storeImported(long propertyId, long sweepId, List<CapturedItem> items) {
        if (items.isEmpty()) return List.of();
        Map<Long, CaptureMapper.Known> known = known(propertyId, items);
        List<Long> ids = known.values().stream().map(CaptureMapper.Known::id).toList();
        for (int start = 0; start < ids.size(); start += LIST) {
            Object[] some =
                    ids.subList(start, Math.min(ids.size(), start + LIST)).toArray();
            mapper.keepItems(sweepId, some);
        }
        return new Pending(known).store(items, item -> item.h1Count() >= 0 && !item.gone());
    }

    /**
     * What storing items would do.
     *
     * @param present how many of them are there now
     */
    public record Difference(int added, int changed, int unchanged, int present) {}

    public Difference difference(long propertyId, List<CapturedItem> items) {
        if (items.isEmpty()) return new Difference(0, 0, 0, 0);
        Map<Long, CaptureMapper.Known> known = known(propertyId, items);
        int added = 0;
        int changed = 0;
        int present = 0;
        for (CapturedItem item : items) {
            CaptureMapper.Known before = known.get(Likeness.exactHash(item.identity()));
            boolean there = before != null && !before.gone();
            if (there) present++;
            if (!there) added++;
            else if (before.captureHash() != item.content().hash() && before.h1Count() < 0) changed++;
        }
        return new Difference(added, changed, items.size() - added - changed, present);
    }

    /** How many items of a property are not gone. */
    public int presentItems(long propertyId) {
        return mapper.presentItems(propertyId);
    }

    /** Marks the items that an import did not have; that can be taken back, too. */
    public int markGoneByImport(long propertyId, long sweepId) {
        mapper.keepGone(propertyId, sweepId);
        return mapper.markGone(propertyId, sweepId);
    }

    /** Puts items back as they were before an import; what was written for them stays. */
    public void takeBack(Property property, long sweepId) {
        mapper.putItemsBack(sweepId);
        mapper.markNewOnesGone(property.id(), sweepId);
        long after = 0;
        List<CaptureMapper.TextsBefore> chunk;
        do {
            chunk = mapper.textsBefore(sweepId, after, COUNTS_AT_ONCE);
            if (chunk.isEmpty()) break;
            after = chunk.get(chunk.size() - 1).id();
            mapper.setMeasures(Columns.of(
                    chunk.stream().map(texts -> measures(property, texts)).toList()));
            mapper.forgetMeasures(FieldId.ofAll(
                    chunk.stream().map(CaptureMapper.TextsBefore::id).toArray()));
        } while (chunk.size() == COUNTS_AT_ONCE);
        mapper.forgetItemsBefore(sweepId);
    }

    private static CaptureMapper.Measures measures(Property property, CaptureMapper.TextsBefore texts) {
        TextMeasure title = TextMeasure.of("title", texts.title(), property.standard());
        TextMeasure description = TextMeasure.of("description", texts.description(), property.standard());
        TextMeasure tags =
                texts.tags() == null ? TextMeasure.NONE : TextMeasure.of("tags", texts.tags(), property.standard());
        return new CaptureMapper.Measures(
                texts.id(), title.px(), title.alike(), description.px(), description.alike(), tags.px(), tags.alike());
    }

    private static Object[] hashes(List<CapturedItem> items) {
        return items.stream()
                .map(CapturedItem::identity)
                .map(Likeness::exactHash)
                .toArray();
    }

    /**
     * Makes sure that what a sweep stored in part, when the machine went down, is stored anew when it is seen again. The
     * database takes back what was not committed, but once in 25 kills a single row had its new values all the same.
     */
    public void mend(long propertyId, long sweepId) {
        mapper.distrust(propertyId, sweepId);
        mapper.removeUnusedCaptures(sweepId);
    }

    /** Leaves nothing of an import that was cut short: items are as they were, and new ones are gone for good unless something was done to them. */
    public void undoImport(Property property, long sweepId) {
        takeBack(property, sweepId);
        mapper.removeNewItems(property.id(), sweepId);
        mend(property.id(), sweepId);
        mapper.removeBodiesWithoutCapture();
    }

    /** Marks the items that a complete sweep did not see; they are kept with all that was written for them. */
    public int markGone(long propertyId, long sweepId) {
        return mapper.markGone(propertyId, sweepId);
    }

    /**
     * Counts the links to every item and how many links it is away from the start.
     *
     * @param redirects where addresses lead that only pass on; a link to one is a link to where it ends
     */
    public void countLinks(long propertyId, String startAddress, Map<String, String> redirects) {
        LinkGraph graph = new LinkGraph();
        redirects.forEach((from, to) -> graph.redirect(Likeness.exactHash(from), Likeness.exactHash(to)));
        long[] ids = addItems(propertyId, graph);
        Lookahead.over(ids, LINKS_CHUNK, some -> links(propertyId, some), pages -> pages.forEach(graph::links));
        graph.measureDepth(Likeness.exactHash(startAddress));
        List<CaptureMapper.LinkCount> changed = new ArrayList<>(COUNTS_AT_ONCE);
        graph.forEachChanged(count -> {
            changed.add(count);
            if (changed.size() == COUNTS_AT_ONCE) write(changed, mapper::setLinks);
        });
        write(changed, mapper::setLinks);
    }

    /**
     * Finds pages that say the same at variants of one address and makes one of each group: the others are set apart, as the
     * same page as that one.
     *
     * @return how many are the same as another
     */
    public int joinTwins(long propertyId) {
        mapper.clearTwins(propertyId);
        mapper.forgetTwins(propertyId);
        TwinPages twins = new TwinPages();
        long after = 0;
        List<CaptureMapper.Page> chunk;
        do {
            chunk = mapper.pages(propertyId, after, ITEMS_CHUNK);
            for (CaptureMapper.Page page : chunk) {
                twins.add(page);
                after = page.id();
            }
        } while (chunk.size() == ITEMS_CHUNK);
        List<CaptureMapper.Twin> found = twins.found();
        for (int start = 0; start < found.size(); start += COUNTS_AT_ONCE) {
            Map<String, Object[]> some =
                    Columns.of(found.subList(start, Math.min(found.size(), start + COUNTS_AT_ONCE)));
            mapper.markTwins(some);
            mapper.insertTwins(some);
        }
        return found.size();
    }

    /** Returns their ids in their order. */
    private long[] addItems(long propertyId, LinkGraph graph) {
        LongStream.Builder ids = LongStream.builder();
        List<CaptureMapper.Linked> chunk;
        long after = 0;
        do {
            chunk = mapper.linked(propertyId, after, ITEMS_CHUNK);
            for (CaptureMapper.Linked item : chunk) {
                after = item.id();
                ids.add(after);
                graph.item(
                        new CaptureMapper.LinkCount(after, item.linksIn(), item.linkTexts(), item.depth()),
                        item.addressHash());
            }
        } while (chunk.size() == ITEMS_CHUNK);
        return ids.build().toArray();
    }

    private List<PageLinks> links(long propertyId, long[] ids) {
        return mapper.links(propertyId, ids[0], ids[ids.length - 1]).stream()
                .map(links -> PageLinks.of(links.itemId(), Packed.bytes(links.links())))
                .toList();
    }

    private static void write(List<? extends Record> rows, Consumer<Map<String, Object[]>> statement) {
        if (!rows.isEmpty()) statement.accept(Columns.of(rows));
        rows.clear();
    }

    /** The rows that a few items make. */
    private final class Pending {

        private final Map<Long, CaptureMapper.Known> known;
        private final List<Long> seen = new ArrayList<>();
        private final List<CaptureMapper.ItemValues> newItems = new ArrayList<>();
        private final List<CaptureMapper.ItemValues> changedItems = new ArrayList<>();
        private final List<CaptureMapper.CaptureValues> captures = new ArrayList<>();
        private final List<CaptureMapper.Source> sources = new ArrayList<>();

        private Pending(Map<Long, CaptureMapper.Known> known) {
            this.known = known;
        }

        /** Stores items but those that are there and are to stay as they are. */
        private List<Stored> store(List<CapturedItem> items, Predicate<CaptureMapper.Known> stays) {
            List<Stored> stored = new ArrayList<>(items.size());
            for (CapturedItem item : items) {
                long hash = Likeness.exactHash(item.identity());
                CaptureMapper.Known there = known.get(hash);
                boolean asItIs = there != null && item.tags() == null && stays.test(there);
                stored.add(asItIs ? new Stored(there.id(), there.captureId(), false, false) : add(item, hash, there));
            }
            write(items.get(0).sweepId());
            return stored;
        }

        private Stored add(CapturedItem item, long addressHash, CaptureMapper.Known known) {
            boolean isNew = known == null;
            if (!isNew && known.captureHash() == item.content().hash()) {
                seen.add(known.id());
                keepSource(item, known.captureId());
                return new Stored(known.id(), known.captureId(), false, false);
            }
            long id = isNew ? itemIds.next() : known.id();
            long captureId = captureIds.next();
            long firstSweep = isNew ? item.sweepId() : known.firstSweep();
            (isNew ? newItems : changedItems).add(values(item, id, addressHash, captureId, firstSweep));
            CapturedItem.Content content = item.content();
            captures.add(new CaptureMapper.CaptureValues(
                    captureId, id, item.sweepId(), content.hash(), content.facts(), content.copy(), content.links()));
            keepSource(item, captureId);
            return new Stored(id, captureId, isNew, true);
        }

        private void keepSource(CapturedItem item, long captureId) {
            if (item.content().source() != null) {
                sources.add(new CaptureMapper.Source(captureId, item.content().source()));
            }
        }

        private void write(long sweepId) {
            if (!seen.isEmpty()) mapper.seen(sweepId, seen.toArray());
            Captures.write(newItems, mapper::insertItems);
            if (!changedItems.isEmpty()) {
                mapper.forgetMeasures(FieldId.ofAll(
                        changedItems.stream().map(CaptureMapper.ItemValues::id).toArray()));
            }
            Captures.write(changedItems, mapper::changeItems);
            Captures.write(sources, mapper::keepSources);
            if (captures.isEmpty()) return;
            Map<String, Object[]> columns = Columns.of(captures);
            mapper.insertCaptures(columns);
            mapper.insertBodies(columns);
        }

        private static CaptureMapper.ItemValues values(
                CapturedItem item, long id, long addressHash, long captureId, long firstSweep) {
            CapturedItem.Text tags = item.tags();
            return new CaptureMapper.ItemValues(
                    id,
                    item.propertyId(),
                    item.address(),
                    addressHash,
                    item.section(),
                    item.status(),
                    item.contentType(),
                    item.obstacle(),
                    item.h1(),
                    item.h1Count(),
                    item.canonical(),
                    item.robots(),
                    item.language(),
                    item.opening(),
                    item.price(),
                    item.depth(),
                    captureId,
                    item.content().hash(),
                    firstSweep,
                    item.sweepId(),
                    false,
                    item.published(),
                    item.views(),
                    item.favourites(),
                    item.content().textHash(),
                    item.title().text(),
                    item.title().count(),
                    item.title().measure().px(),
                    item.title().measure().alike(),
                    item.description().text(),
                    item.description().count(),
                    item.description().measure().px(),
                    item.description().measure().alike(),
                    tags == null ? null : tags.text(),
                    tags == null ? 0 : tags.measure().px(),
                    tags == null ? 0 : tags.measure().alike());
        }
    }
}
