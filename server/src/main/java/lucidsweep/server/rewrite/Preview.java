package lucidsweep.server.rewrite;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lucidsweep.core.compose.FieldFit;
import lucidsweep.core.item.Field;

/** What an edit would do, counted and kept by item while it is worked out. Safe to look at meanwhile. */
final class Preview {

    private static final int CHANGES = 64;
    private static final int FITS = 32;
    private static final int RESULT = 31;
    private static final Proposal.Result[] RESULTS = Proposal.Result.values();

    private final long propertyId;
    private final EditSpec spec;
    private final long asOf;
    private final long[] selected;
    private final long[] ids;
    private final byte[] lines;
    private final Map<Proposal.Result, Integer> results = new EnumMap<>(Proposal.Result.class);
    private final MadeTexts made = new MadeTexts();
    private volatile boolean cancelled;
    private int done;
    private int changes;
    private int fitting;
    private boolean complete;
    private String problem;
    private String says;

    /**
     * A preview of some items of a property, as they are at a revision of it.
     *
     * @param selected their ids, in ascending order
     */
    Preview(long propertyId, EditSpec spec, long asOf, long[] selected) {
        this.propertyId = propertyId;
        this.spec = spec;
        this.asOf = asOf;
        this.selected = selected;
        ids = new long[selected.length];
        lines = new byte[selected.length];
    }

    /** Items that came out alike, to be shown alone. */
    enum Kind {
        CHANGED(line -> (line & CHANGES) != 0),
        TOO_LONG(line -> (line & CHANGES) != 0 && (line & FITS) == 0),
        SHORTENED(line -> is(line, Proposal.Result.SHORTENED) || is(line, Proposal.Result.LACKS_SOURCE)),
        TOLD_APART(line -> is(line, Proposal.Result.TOLD_APART)),
        LEFT(line -> is(line, Proposal.Result.ALIKE)
                || is(line, Proposal.Result.NOTHING)
                || is(line, Proposal.Result.KEPT)
                || is(line, Proposal.Result.RUNAWAY));

        private final Predicate<Byte> holds;

        Kind(Predicate<Byte> holds) {
            this.holds = holds;
        }

        private static boolean is(byte line, Proposal.Result result) {
            return (line & RESULT) == result.ordinal();
        }
    }

    /**
     * What would become of an item.
     *
     * @param after the new text; null where it stays as it is, or where there are so many that they are not kept
     * @param early whether it was worked out ahead of the others, whose texts it may still turn out to be the same as
     */
    record Line(long itemId, String after, Proposal.Result result, boolean early) {

        static Line early(Proposal proposal) {
            String after = proposal.changes() ? proposal.after() : null;
            return new Line(proposal.field().itemId(), after, proposal.result(), true);
        }
    }

    /**
     * The figures so far.
     *
     * @param asOf the revision of the property that was looked at; applying it says so
     * @param says what there is to say of all together, once it has ended
     */
    record Figures(
            String token,
            long asOf,
            int of,
            int done,
            boolean complete,
            @Nullable String problem,
            @Nullable String says,
            @JsonUnwrapped Outcomes outcomes) {}

    /**
     * What would become of the texts that were looked at, counted.
     *
     * @param fitting how many of those that would change pass every limit
     * @param shortened parts had to be shortened or left out
     * @param lacking a part had no source
     * @param toldApart a part was added so that no two are the same
     * @param alike would have been the same as another; left as they are
     * @param nothing nothing could be made; left as they are
     * @param runaway the pattern took too long; left as they are
     */
    record Outcomes(
            int changes,
            int fitting,
            int unchanged,
            int kept,
            int shortened,
            int lacking,
            int toldApart,
            int alike,
            int nothing,
            int runaway) {}

    synchronized void add(List<Proposal> proposals) {
        for (Proposal proposal : proposals) {
            results.merge(proposal.result(), 1, Integer::sum);
            int line = proposal.result().ordinal();
            if (proposal.changes()) {
                changes++;
                line |= CHANGES;
                made.add(proposal.field().itemId(), proposal.after());
                if (FieldFit.fits(spec.field(), proposal.after(), proposal.standard())) {
                    fitting++;
                    line |= FITS;
                }
            }
            ids[done] = proposal.field().itemId();
            lines[done++] = (byte) line;
        }
    }

    long propertyId() {
        return propertyId;
    }

    EditSpec spec() {
        return spec;
    }

    Field field() {
        return spec.field();
    }

    /** The texts that it would make; all of them once it has ended. */
    synchronized MadeTexts made() {
        return made;
    }

    /** What would become of an item; null where it was not looked at, or not yet. */
    synchronized Line line(long itemId) {
        int place = Arrays.binarySearch(ids, 0, done, itemId);
        if (place < 0) return null;
        boolean changes = (lines[place] & CHANGES) != 0;
        return new Line(itemId, changes ? made.of(itemId) : null, RESULTS[lines[place] & RESULT], false);
    }

    /** Those of some items whose turn will come, in ascending order. */
    synchronized long[] awaited(long[] some) {
        long last = done == 0 ? Long.MIN_VALUE : ids[done - 1];
        return complete
                ? new long[0]
                : Arrays.stream(some)
                        .filter(id -> id > last && Arrays.binarySearch(selected, id) >= 0)
                        .sorted()
                        .distinct()
                        .toArray();
    }

    /** The ids of the items that came out so, in ascending order. */
    synchronized long[] ids(Kind kind) {
        long[] some = new long[done];
        int count = 0;
        for (int i = 0; i < done; i++) if (kind.holds.test(lines[i])) some[count++] = ids[i];
        return Arrays.copyOf(some, count);
    }

    /** How much memory it takes, in bytes. */
    synchronized int weight() {
        return selected.length * 17 + made.weight() + 1_000;
    }

    void cancel() {
        cancelled = true;
    }

    boolean isCancelled() {
        return cancelled;
    }

    /** Notes what there is to say of all together. */
    synchronized void note(String says) {
        this.says = says;
    }

    /** Says that it has ended. */
    synchronized void complete(String problem) {
        this.problem = problem;
        complete = true;
        notifyAll();
    }

    /** Waits a moment, so that what is quick is whole at once. */
    synchronized void await(long millis) throws InterruptedException {
        if (!complete) wait(millis);
    }

    synchronized Figures figures(String token) {
        return new Figures(
                token,
                asOf,
                selected.length,
                done,
                complete,
                problem,
                says,
                new Outcomes(
                        changes,
                        fitting,
                        count(Proposal.Result.UNCHANGED) + done - changes - left(),
                        count(Proposal.Result.KEPT),
                        count(Proposal.Result.SHORTENED),
                        count(Proposal.Result.LACKS_SOURCE),
                        count(Proposal.Result.TOLD_APART),
                        count(Proposal.Result.ALIKE),
                        count(Proposal.Result.NOTHING),
                        count(Proposal.Result.RUNAWAY)));
    }

    private int left() {
        return count(Proposal.Result.UNCHANGED)
                + count(Proposal.Result.KEPT)
                + count(Proposal.Result.ALIKE)
                + count(Proposal.Result.NOTHING)
                + count(Proposal.Result.RUNAWAY);
    }

    private int count(Proposal.Result result) {
        return results.getOrDefault(result, 0);
    }
}
