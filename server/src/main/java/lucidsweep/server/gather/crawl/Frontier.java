package lucidsweep.server.gather.crawl;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import lucidsweep.core.text.HashNumbers;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.gather.sweep.VisitMapper;
import lucidsweep.server.item.capture.Captures;

/**
 * The addresses that a crawl knows and those that wait. They are rows of the table of visits: what is added and ended is
 * collected and written by {@link #write} in the transaction that stores the pages, so that a crawl that was ended anyhow
 * goes on where it was. Workers take addresses; one thread does all else.
 */
final class Frontier {

    private static final int READY = 400;
    private static final int KNOWN_AT_ONCE = 1_000;

    /** What is left out is listed up to here. */
    private static final int MAX_LEFT_OUT = 200_000;

    private final VisitMapper mapper;
    private final long sweepId;
    private final int maxDepth;
    private final IdRange range;
    private final HashNumbers seen = new HashNumbers();
    private final BlockingQueue<Visit> ready = new LinkedBlockingQueue<>();
    private final List<VisitMapper.NewVisit> added = new ArrayList<>();
    private final List<VisitMapper.EndedVisit> ended = new ArrayList<>();
    private final Map<Long, Long> nofollow = new HashMap<>();
    private final List<Long> released = new ArrayList<>();
    private int leftOut;
    private long size;
    private long lastLoaded;
    private int waitingCount;
    private int endedCount;
    private int capturedCount;
    private int taken;

    Frontier(VisitMapper mapper, long sweepId, int maxDepth) {
        this.mapper = mapper;
        this.sweepId = sweepId;
        this.maxDepth = maxDepth;
        range = IdRange.of(sweepId);
        lastLoaded = range.first() - 1;
    }

    /** Takes up what an earlier run left; returns whether there was one. */
    boolean resume() {
        forEachKnown(known -> {
            size = known.id() + 1 - range.first();
            long hash = TextKey.exactHash(known.address());
            if (known.outcome().equals(Outcome.NOFOLLOW.code())) {
                nofollow.put(hash, known.id());
                return;
            }
            seen.add(hash, 0);
            if (known.outcome().equals(Outcome.WAITING.code())) waitingCount++;
            else endedCount++;
            if (known.outcome().equals(Outcome.CAPTURED.code())) capturedCount++;
        });
        return size > 0;
    }

    /** Walks over the addresses that are stored, in the order in which they became known. */
    void forEachKnown(Consumer<VisitMapper.Known> visit) {
        long after = range.first() - 1;
        List<VisitMapper.Known> chunk;
        do {
            chunk = mapper.known(after, range.last(), KNOWN_AT_ONCE);
            for (VisitMapper.Known known : chunk) {
                after = known.id();
                visit.accept(known);
            }
        } while (chunk.size() == KNOWN_AT_ONCE);
    }

    /** Whether an address was not met yet; any thread may ask. */
    boolean isNew(long hash) {
        return !seen.contains(hash);
    }

    /** Adds an address unless it is known; returns whether it was added. */
    boolean add(Answer.Link link, int depth, String foundOn) {
        long hash = link.hash();
        if (!seen.add(hash, 0)) return false;
        Long heldBack = nofollow.remove(hash);
        if (heldBack != null) released.add(heldBack);
        boolean tooDeep = depth > maxDepth;
        addVisit(
                link.address(),
                link.asked(),
                depth,
                foundOn,
                tooDeep ? Outcome.TOO_DEEP : Outcome.WAITING,
                tooDeep ? "more than " + maxDepth + " links from the start" : "");
        if (!tooDeep) waitingCount++;
        return true;
    }

    /** Lists an address that is left out, unless it is known. */
    void leaveOut(String address, int depth, String foundOn, Outcome outcome, String why) {
        if (seen.add(TextKey.exactHash(address), 0) && leftOut++ < MAX_LEFT_OUT)
            addVisit(address, null, depth, foundOn, outcome, why);
    }

    /** Lists an address that no link asks to be followed to so far; one that does may still come. */
    void holdBack(Answer.Link link, int depth, String foundOn) {
        long hash = link.hash();
        if (seen.contains(hash) || nofollow.containsKey(hash) || leftOut++ >= MAX_LEFT_OUT) return;
        nofollow.put(hash, IdRange.id(sweepId, size));
        addVisit(link.address(), link.asked(), depth, foundOn, Outcome.NOFOLLOW, "its links ask not to be followed");
    }

    private void addVisit(String address, String asked, int depth, String foundOn, Outcome outcome, String why) {
        added.add(new VisitMapper.NewVisit(
                IdRange.id(sweepId, size++), address, asked, depth, foundOn, outcome.code(), why));
    }

    void add(String address, int depth, String foundOn) {
        add(new Answer.Link(address, null, TextKey.exactHash(address), false), depth, foundOn);
    }

    /** Ends a visit; stored is null unless it was captured. */
    void end(Answer answer, Outcome outcome, String detail, Captures.Stored stored) {
        ended.add(new VisitMapper.EndedVisit(
                answer.visit().id(),
                outcome.code(),
                detail,
                answer.status(),
                answer.redirectTo(),
                answer.millis(),
                answer.bytes(),
                stored == null ? null : stored.itemId(),
                stored == null ? null : stored.captureId()));
        waitingCount--;
        endedCount++;
        if (stored != null) capturedCount++;
    }

    /** Writes what was added and ended since the last time, within the caller's transaction. */
    void write() {
        ManyRows.each(added, mapper::insertVisits);
        added.clear();
        if (!released.isEmpty()) mapper.deleteVisits(released.toArray());
        released.clear();
        if (!ended.isEmpty()) mapper.endVisits(Columns.of(ended));
        ended.clear();
    }

    /** Gets more addresses ready to be taken; only what was written is. */
    void feed() {
        if (ready.size() > READY / 2) return;
        List<Visit> next = mapper.waiting(lastLoaded, range.last(), READY);
        if (next.isEmpty()) return;
        lastLoaded = next.get(next.size() - 1).id();
        taken += next.size();
        ready.addAll(next);
    }

    /** The next address to ask; null where none came in time. Any thread may ask. */
    Visit next() throws InterruptedException {
        return ready.poll(100, TimeUnit.MILLISECONDS);
    }

    /** Says that the answers to so many addresses came in. */
    void answered(int count) {
        taken -= count;
    }

    /** How many addresses are with the workers or ready for them. */
    int underWay() {
        return taken;
    }

    int waiting() {
        return waitingCount;
    }

    int ended() {
        return endedCount;
    }

    int captured() {
        return capturedCount;
    }
}
