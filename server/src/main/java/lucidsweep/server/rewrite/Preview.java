package lucidsweep.server.rewrite;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** What an edit would do, counted while it is worked out. Safe to look at meanwhile. */
final class Preview {

    private static final int SAMPLE = 40;

    private final boolean ofTags;
    private final long asOf;
    private final int of;
    private final Map<Proposal.Result, Integer> results = new EnumMap<>(Proposal.Result.class);
    private final List<PreviewRow> changed = new ArrayList<>();
    private final List<PreviewRow> notable = new ArrayList<>();
    private MadeTexts made = new MadeTexts();
    private volatile boolean cancelled;
    private int done;
    private int changes;
    private int fitting;
    private boolean complete;
    private String problem;

    /** A preview of so many items, as they are at a revision of their property. */
    Preview(Field field, long asOf, int of) {
        ofTags = field == Field.TAGS;
        this.asOf = asOf;
        this.of = of;
    }

    /** One item of the sample. */
    record PreviewRow(
            long itemId,
            String before,
            String after,
            @Nullable LimitCheck fit,
            String result) {}

    /**
     * The figures so far.
     *
     * @param asOf the revision of the property that was looked at; applying it says so
     */
    record Figures(
            String token,
            long asOf,
            int of,
            int done,
            boolean complete,
            @Nullable String problem,
            @JsonUnwrapped Outcomes outcomes,
            List<PreviewRow> rows) {}

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
            done++;
            results.merge(proposal.result(), 1, Integer::sum);
            String after = proposal.after();
            boolean fits = fits(proposal);
            if (proposal.changes()) {
                changes++;
                made.add(proposal.field().itemId(), after);
                if (fits) fitting++;
            }
            boolean plain = proposal.result() == Proposal.Result.WHOLE && fits;
            List<PreviewRow> sample = plain ? changed : notable;
            boolean worthShowing = proposal.changes() || proposal.result() == Proposal.Result.ALIKE;
            if (worthShowing && sample.size() < SAMPLE) {
                sample.add(new PreviewRow(
                        proposal.field().itemId(),
                        proposal.field().text(),
                        after,
                        ofTags ? null : LimitCheck.of(after, limits(proposal)),
                        proposal.result()
                                .name()
                                .toLowerCase(java.util.Locale.ROOT)
                                .replace('_', '-')));
            }
        }
    }

    private boolean fits(Proposal proposal) {
        String after = proposal.after();
        return ofTags
                ? proposal.standard().tags().fit(TagList.of(after))
                : limits(proposal).fits(after, Graphemes.count(after));
    }

    private static Standard.TextLimits limits(Proposal proposal) {
        return proposal.standard().limits(proposal.field().field());
    }

    synchronized MadeTexts made() {
        return made;
    }

    void cancel() {
        cancelled = true;
    }

    boolean isCancelled() {
        return cancelled;
    }

    /** Says that it has ended; the texts that were made are kept elsewhere, so that many previews weigh little. */
    synchronized void complete(String problem) {
        made = null;
        this.problem = problem;
        complete = true;
        notifyAll();
    }

    /** Waits a moment, so that what is quick is whole at once. */
    synchronized void await(long millis) throws InterruptedException {
        if (!complete) wait(millis);
    }

    synchronized Figures figures(String token) {
        List<PreviewRow> rows = new ArrayList<>(changed.subList(0, Math.min(changed.size(), SAMPLE / 2)));
        rows.addAll(notable.subList(0, Math.min(notable.size(), SAMPLE - rows.size())));
        return new Figures(
                token,
                asOf,
                of,
                done,
                complete,
                problem,
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
                        count(Proposal.Result.RUNAWAY)),
                rows);
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
