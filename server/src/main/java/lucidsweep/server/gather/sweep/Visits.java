package lucidsweep.server.gather.sweep;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.capture.ImportedRow;
import lucidsweep.server.item.capture.ImportedRows;
import org.springframework.stereotype.Service;

/** What sweeps saw, address by address: what a crawl visited; what an import read, and after it what it could not read. */
@Service
public class Visits {

    private static final int AT_ONCE = 2_000;
    private static final int MAX = 1_000;

    private final VisitMapper mapper;
    private final ImportedRows rows;

    Visits(VisitMapper mapper, ImportedRows rows) {
        this.mapper = mapper;
        this.rows = rows;
    }

    /** What a sweep saw, by outcome and status. */
    public List<OutcomeCount> counts(long sweepId) {
        List<OutcomeCount> counts = new ArrayList<>();
        int read = rows.count(sweepId);
        if (read > 0) {
            String example = rows.after(sweepId, 0, 1).get(0).address();
            counts.add(new OutcomeCount(Outcome.CAPTURED.code(), 0, read, example, ""));
        }
        counts.addAll(mapper.outcomes(IdRange.of(sweepId)));
        return counts;
    }

    /** The addresses of a sweep with an outcome, or with any (null), that follow upon one. */
    public List<Visit> after(long sweepId, String outcome, long after, int limit) {
        IdRange range = IdRange.of(sweepId);
        int max = Math.max(0, Math.min(limit, MAX));
        List<Visit> found = new ArrayList<>();
        if (outcome == null || outcome.equals(Outcome.CAPTURED.code())) {
            for (ImportedRow row : rows.after(sweepId, after, max)) found.add(visit(row));
        }
        long last = found.isEmpty() ? after : found.get(found.size() - 1).id();
        if (found.size() < max) {
            found.addAll(mapper.visits(outcome, Math.max(last, range.first() - 1), range.last(), max - found.size()));
        }
        return found;
    }

    private static Visit visit(ImportedRow row) {
        return new Visit(
                row.id(), row.address(), null, 0, "", Outcome.CAPTURED.code(), row.became(), 0, "", 0, 0, row.itemId());
    }

    /** Walks over every address of a sweep with an outcome, or with any (null). */
    public void forEach(long sweepId, String outcome, Consumer<Visit> visitor) {
        long after = 0;
        List<Visit> chunk;
        do {
            chunk = after(sweepId, outcome, after, MAX);
            for (Visit visit : chunk) {
                visitor.accept(visit);
                after = visit.id();
            }
        } while (chunk.size() == MAX);
    }

    /**
     * An address that a sweep had an answer from, and what was stored of it.
     *
     * @param itemId null where nothing was
     * @param redirectTo where it leads on; "" where nowhere
     */
    public record Seen(long id, String address, String redirectTo, Long itemId, Long captureId) {}

    /** What became of the addresses of a crawl that were no pages, in words. */
    public Map<String, String> elsewhere(long sweepId) {
        Map<String, String> found = new HashMap<>();
        forEach(
                sweepId,
                Outcome.REDIRECT.code(),
                visit -> found.put(visit.address(), "it redirects to " + visit.redirectTo()));
        forEach(sweepId, Outcome.REDIRECT_LOOP.code(), visit -> found.put(visit.address(), "it redirects in a circle"));
        forEach(
                sweepId,
                Outcome.ERROR_STATUS.code(),
                visit -> found.put(visit.address(), "it answers " + visit.status()));
        return found;
    }

    /** The ids of the items that a crawl knew from a sitemap. */
    public Set<Long> inSitemap(long sweepId) {
        return new HashSet<>(mapper.inSitemap(IdRange.of(sweepId)));
    }

    /** Walks over the addresses that a sweep had an answer from, in their order. */
    public void forEachSeen(long sweepId, Consumer<Seen> visit) {
        IdRange range = IdRange.of(sweepId);
        long after = range.first() - 1;
        List<Seen> chunk;
        do {
            chunk = rows.after(sweepId, after, AT_ONCE).stream()
                    .map(row -> new Seen(row.id(), row.address(), "", row.itemId(), row.captureId()))
                    .toList();
            if (chunk.isEmpty()) chunk = mapper.seen(after, range.last(), AT_ONCE);
            for (Seen seen : chunk) {
                visit.accept(seen);
                after = seen.id();
            }
        } while (!chunk.isEmpty());
    }
}
