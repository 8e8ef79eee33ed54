package lucidsweep.server.item;

import java.util.List;
import java.util.Map;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Likeness;
import org.springframework.stereotype.Service;

/** Stores what sweeps see: a new capture only where something differs; drafts, targets and keeps stay as they are. */
@Service
public class Captures {

    private static final int LINKS_CHUNK = 200;

    private static final int BLOCK = 1_000;

    private final CaptureMapper mapper;
    private long nextCaptureId;
    private long endOfBlock;

    Captures(CaptureMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * Where an item's capture was put.
     *
     * @param changed whether it differs from the capture before
     */
    public record Stored(long itemId, long captureId, boolean isNew, boolean changed) {}

    /** Stores one item, within the caller's transaction. */
    public Stored store(CapturedItem item, Standard standard) {
        long addressHash = Likeness.exactHash(item.identity());
        long hash = Likeness.exactHash(item.facts() + '\n' + item.copy() + '\n' + item.links());
        CaptureMapper.Known known = mapper.find(item.propertyId(), addressHash);
        if (known != null && known.hash() == hash) {
            mapper.seen(known.id(), item.sweepId());
            return new Stored(known.id(), known.captureId(), false, false);
        }
        long captureId = nextCaptureId();
        long itemId;
        if (known == null) {
            CaptureMapper.Key key = new CaptureMapper.Key();
            mapper.insert(key, item, addressHash, captureId);
            itemId = key.id;
        } else {
            itemId = known.id();
            mapper.update(itemId, item, captureId);
        }
        mapper.insertCapture(captureId, itemId, item.sweepId(), hash, item.facts());
        mapper.insertBody(captureId, Packed.of(item.copy()), Packed.of(item.links()));
        for (CapturedItem.Text text : item.texts()) {
            TextMeasure measure = TextMeasure.of(text.name(), text.text(), standard);
            long fieldId = FieldId.of(itemId, text.name());
            boolean there = known != null && mapper.updateField(fieldId, text, measure) > 0;
            if (!there) mapper.insertField(fieldId, itemId, item.propertyId(), text, measure);
        }
        return new Stored(itemId, captureId, known == null, true);
    }

    private synchronized long nextCaptureId() {
        if (nextCaptureId == endOfBlock) {
            nextCaptureId = mapper.nextCaptureBlock();
            endOfBlock = nextCaptureId + BLOCK;
        }
        return nextCaptureId++;
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
        forEachItem(propertyId, links -> graph.item(links.itemId(), links.addressHash()));
        forEachItem(propertyId, links -> {
            for (String line : Packed.text(links.links()).split("\n")) {
                int tab = line.indexOf('\t');
                if (tab > 0)
                    graph.link(links.itemId(), Likeness.exactHash(line.substring(0, tab)), line.substring(tab + 1));
            }
        });
        graph.measureDepth(Likeness.exactHash(startAddress));
        graph.forEach(mapper::setLinks);
    }

    private void forEachItem(long propertyId, java.util.function.Consumer<CaptureMapper.Links> visit) {
        long after = 0;
        List<CaptureMapper.Links> chunk;
        do {
            chunk = mapper.links(propertyId, after, LINKS_CHUNK);
            for (CaptureMapper.Links links : chunk) {
                visit.accept(links);
                after = links.itemId();
            }
        } while (chunk.size() == LINKS_CHUNK);
    }
}
