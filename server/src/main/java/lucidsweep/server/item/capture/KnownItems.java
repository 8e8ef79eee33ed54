package lucidsweep.server.item.capture;

import java.util.Arrays;
import java.util.BitSet;
import lucidsweep.core.text.HashNumbers;

/**
 * The items of a property by what tells them apart, in memory while a sweep or an import runs: about 100 bytes an item. An index
 * in the database would have to be written with every new item, at a place of its own, which takes longer than all else of it.
 */
public final class KnownItems {

    static final int NONE = -1;

    private static final int FIRST_SIZE = 1_024;

    private final HashNumbers places = new HashNumbers();
    private long[] ids = new long[FIRST_SIZE];
    private long[] captures = new long[FIRST_SIZE];
    private long[] contents = new long[FIRST_SIZE];
    private long[] firstSweeps = new long[FIRST_SIZE];
    private final BitSet gone = new BitSet();
    private final BitSet crawled = new BitSet();
    private final BitSet seen = new BitSet();
    private long nextId;
    private int size;

    /** Knows nothing yet; an item that is new has this id or a later one. */
    KnownItems(long firstId) {
        nextId = firstId;
    }

    /** Adds an item that is stored; they come in the order of their ids. */
    void add(CaptureMapper.Known item) {
        int place = append(item.id(), item.addressHash(), item.firstSweep());
        nextId = Math.max(nextId, item.id() + 1);
        set(place, item.captureId(), item.captureHash(), item.h1Count() >= 0);
        gone.set(place, item.gone());
    }

    /** Adds a new item, with the next id; returns its place. */
    int add(long addressHash, long firstSweep) {
        return append(nextId++, addressHash, firstSweep);
    }

    private int append(long id, long addressHash, long firstSweep) {
        if (size == ids.length) {
            ids = Arrays.copyOf(ids, size * 2);
            captures = Arrays.copyOf(captures, size * 2);
            contents = Arrays.copyOf(contents, size * 2);
            firstSweeps = Arrays.copyOf(firstSweeps, size * 2);
        }
        places.add(addressHash, size);
        ids[size] = id;
        firstSweeps[size] = firstSweep;
        return size++;
    }

    /** Says which capture of an item is the last one, the hash of its content, and whether it comes from a crawl. */
    void set(int place, long capture, long content, boolean byCrawl) {
        captures[place] = capture;
        contents[place] = content;
        crawled.set(place, byCrawl);
    }

    /** Says that an item was seen, so that it is not gone. */
    void see(int place) {
        seen.set(place);
        gone.clear(place);
    }

    /** The place of the item whose identity has this hash; {@link #NONE} where it is not known. */
    int place(long addressHash) {
        return places.get(addressHash);
    }

    long id(int place) {
        return ids[place];
    }

    long capture(int place) {
        return captures[place];
    }

    long content(int place) {
        return contents[place];
    }

    long firstSweep(int place) {
        return firstSweeps[place];
    }

    boolean isGone(int place) {
        return gone.get(place);
    }

    /** Whether what is known of it comes from a crawl, which knows more than a list does. */
    boolean isCrawled(int place) {
        return crawled.get(place);
    }

    /** How many items are not gone. */
    public int present() {
        return size - gone.cardinality();
    }

    /** The ids of the items that are not gone and were not seen since this was read. */
    long[] missing() {
        BitSet missing = new BitSet(size);
        missing.set(0, size);
        missing.andNot(gone);
        missing.andNot(seen);
        return missing.stream().mapToLong(place -> ids[place]).toArray();
    }
}
