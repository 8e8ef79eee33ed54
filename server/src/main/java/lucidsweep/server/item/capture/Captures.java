package lucidsweep.server.item.capture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.LongStream;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.database.Packed;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.TextMeasure;
import lucidsweep.server.job.Lookahead;
import org.springframework.stereotype.Service;

/** Stores what sweeps see: a new capture only where something differs; drafts, targets and keeps stay as they are. */
@Service
public class Captures {

    private static final int KNOWN_CHUNK = 5_000;
    private static final int ITEMS_CHUNK = 1_000;
    private static final int LINKS_CHUNK = 200;
    private static final int COUNTS_AT_ONCE = 500;
    private static final int LIST = 200;

    private final CaptureMapper mapper;
    private final ImportedRows rows;
    private final IdBlock captureIds;

    Captures(CaptureMapper mapper, ImportedRows rows) {
        this.mapper = mapper;
        this.rows = rows;
        captureIds = new IdBlock(mapper::nextCaptureBlock);
    }

    /** Where an item's capture was put. */
    public record Stored(long itemId, long captureId) {}

    /** What is known of the items of a property now. */
    public KnownItems known(long propertyId) {
        IdRange ids = IdRange.of(propertyId);
        KnownItems known = new KnownItems(Math.max(ids.first(), mapper.lastItem(propertyId) + 1));
        long after = ids.first() - 1;
        List<CaptureMapper.Known> chunk;
        do {
            chunk = mapper.known(after, ids.last(), KNOWN_CHUNK);
            chunk.forEach(known::add);
            if (!chunk.isEmpty()) after = chunk.get(chunk.size() - 1).id();
        } while (chunk.size() == KNOWN_CHUNK);
        return known;
    }

    /**
     * Stores items of one property, within the caller's transaction; a few hundred at a time are fastest. Where that fails,
     * what is known holds no longer.
     *
     * @param items no two with the same identity
     * @return for each, in the same order
     */
    public List<Stored> store(KnownItems known, List<CapturedItem> items) {
        return new PendingItems(mapper, known, captureIds::next, null).store(items);
    }

    /**
     * The same of an import, which can be taken back. Pages that a crawl has read stay as it saw them: it knows more than a
     * list does.
     *
     * @param rows takes what the import read
     */
    public void storeImported(KnownItems known, ImportedRows.Writer rows, List<CapturedItem> items) {
        new PendingItems(mapper, known, rows::nextId, rows).store(items);
        rows.write();
    }

    /**
     * What storing items would do.
     *
     * @param present how many of them are there now
     */
    public record Difference(int added, int changed, int unchanged, int present) {}

    public Difference difference(KnownItems known, List<CapturedItem> items) {
        int added = 0;
        int changed = 0;
        int present = 0;
        for (CapturedItem item : items) {
            int place = known.place(TextKey.exactHash(item.identity()));
            boolean there = place != KnownItems.NONE && !known.isGone(place);
            if (there) present++;
            if (!there) added++;
            else if (known.content(place) != item.content().hash() && !known.isCrawled(place)) changed++;
        }
        return new Difference(added, changed, items.size() - added - changed, present);
    }

    /** Marks the items that an import did not have; that can be taken back, too. */
    public void markGoneByImport(KnownItems known, long sweepId) {
        forEachFew(known.missing(), some -> {
            mapper.keepItems(sweepId, some);
            mapper.setGone(some);
        });
    }

    static void forEachFew(long[] ids, Consumer<Object[]> visit) {
        for (int start = 0; start < ids.length; start += LIST) {
            visit.accept(Arrays.stream(ids, start, Math.min(ids.length, start + LIST))
                    .boxed()
                    .toArray());
        }
    }

    /** Puts items back as they were before an import; what was written for them stays. */
    public void takeBack(Property property, long sweepId) {
        mapper.putItemsBack(sweepId);
        mapper.markNewOnesGone(IdRange.of(property.id()), sweepId);
        long after = 0;
        List<CaptureMapper.TextsBefore> chunk;
        do {
            chunk = mapper.textsBefore(sweepId, after, COUNTS_AT_ONCE);
            if (chunk.isEmpty()) break;
            after = chunk.get(chunk.size() - 1).id();
            mapper.setMeasures(Columns.of(
                    chunk.stream().map(texts -> measures(property, texts)).toList()));
            mapper.forgetMeasures(FieldId.ofMeasured(
                    chunk.stream().map(CaptureMapper.TextsBefore::id).toArray()));
        } while (chunk.size() == COUNTS_AT_ONCE);
        mapper.forgetItemsBefore(sweepId);
    }

    private static CaptureMapper.Measures measures(Property property, CaptureMapper.TextsBefore texts) {
        TextMeasure title = TextMeasure.of(Field.TITLE, texts.title(), property.standard());
        TextMeasure description = TextMeasure.of(Field.DESCRIPTION, texts.description(), property.standard());
        TextMeasure tags =
                texts.tags() == null ? TextMeasure.NONE : TextMeasure.of(Field.TAGS, texts.tags(), property.standard());
        return new CaptureMapper.Measures(
                texts.id(), title.px(), title.alike(), description.px(), description.alike(), tags.px(), tags.alike());
    }

    /**
     * Makes sure that what a sweep stored in part, when the machine went down, is stored anew when it is seen again. The
     * database takes back what was not committed, but once in 25 kills a single row had its new values all the same.
     */
    public void mend(long propertyId, long sweepId) {
        mapper.distrust(IdRange.of(propertyId), sweepId);
        mapper.removeUnusedCaptures(sweepId);
    }

    /** Leaves nothing of an import that was cut short: items are as they were, and new ones are gone for good unless something was done to them. */
    public void undoImport(Property property, long sweepId) {
        takeBack(property, sweepId);
        mapper.rememberLastItem(property.id(), IdRange.of(property.id()));
        mapper.removeNewItems(IdRange.of(property.id()), sweepId);
        mapper.distrustRows(IdRange.of(property.id()), IdRange.of(sweepId));
        rows.forget(sweepId);
    }

    /** Marks the items that a complete sweep did not see; they are kept with all that was written for them. */
    public int markGone(long propertyId, long sweepId) {
        return mapper.markGone(IdRange.of(propertyId), sweepId);
    }

    /**
     * Counts the links to every item and how many links it is away from the start.
     *
     * @param redirects where addresses lead that only pass on; a link to one is a link to where it ends
     */
    public void countLinks(long propertyId, String startAddress, Map<String, String> redirects) {
        LinkGraph graph = new LinkGraph();
        redirects.forEach((from, to) -> graph.redirect(TextKey.exactHash(from), TextKey.exactHash(to)));
        long[] ids = addItems(propertyId, graph);
        Lookahead.over(ids, LINKS_CHUNK, this::links, pages -> pages.forEach(graph::links));
        graph.measureDepth(TextKey.exactHash(startAddress));
        List<CaptureMapper.LinkCount> changed = new ArrayList<>(COUNTS_AT_ONCE);
        graph.forEachChanged(count -> {
            changed.add(count);
            if (changed.size() == COUNTS_AT_ONCE) writeLinks(changed);
        });
        writeLinks(changed);
    }

    /**
     * Finds pages that say the same at variants of one address and makes one of each group: the others are set apart, as the
     * same page as that one.
     *
     * @return how many of those that a sweep captured are the same as another
     */
    public int joinTwins(long propertyId, long sweepId) {
        mapper.clearTwins(IdRange.of(propertyId));
        mapper.forgetTwins(IdRange.of(propertyId));
        TwinPages twins = new TwinPages();
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<CaptureMapper.Page> chunk;
        do {
            chunk = mapper.pages(after, ids.last(), ITEMS_CHUNK);
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
        return mapper.countTwins(IdRange.of(propertyId), sweepId);
    }

    /** Returns their ids in their order. */
    private long[] addItems(long propertyId, LinkGraph graph) {
        IdRange range = IdRange.of(propertyId);
        LongStream.Builder ids = LongStream.builder();
        List<CaptureMapper.Linked> chunk;
        long after = range.first() - 1;
        do {
            chunk = mapper.linked(after, range.last(), ITEMS_CHUNK);
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

    private List<PageLinks> links(long[] ids) {
        return mapper.links(ids[0], ids[ids.length - 1]).stream()
                .map(links -> PageLinks.of(links.itemId(), Packed.bytes(links.links())))
                .toList();
    }

    private void writeLinks(List<CaptureMapper.LinkCount> counts) {
        ManyRows.each(counts, mapper::setLinks);
        counts.clear();
    }
}
