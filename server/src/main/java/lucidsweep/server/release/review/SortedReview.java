package lucidsweep.server.release.review;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.DraftState;
import lucidsweep.server.item.draft.FieldLine;

/**
 * What came back of a review sheet, held against what is here now.
 *
 * @param clear of texts that are still as the client saw them
 * @param conflicts of texts that are others by now
 * @param same decided so already
 * @param unknown entries that are not of this sheet or cannot be read
 */
record SortedReview(List<ReviewSheet.Decided> clear, List<Clash> conflicts, int same, int unknown) {

    /** A decision about a text that is another one by now. @param seen what the client saw */
    record Clash(ReviewSheet.Decided decided, String seen, FieldLine now) {

        /** The text that the client wants. */
        String wanted() {
            return decided.text() == null ? seen : decided.text();
        }
    }

    /**
     * Sorts it.
     *
     * @param seen the texts of the sheet, by field
     * @param now the same fields as they are
     * @param notes what was said of them already
     */
    static SortedReview of(
            ReturnedReview review, Map<Long, String> seen, Map<Long, FieldLine> now, Map<Long, String> notes) {
        List<ReviewSheet.Decided> clear = new ArrayList<>();
        List<Clash> conflicts = new ArrayList<>();
        int same = 0;
        int unknown = review.unreadable();
        for (ReviewSheet.Decided decided : review.decided().values()) {
            FieldLine line = now.get(decided.fieldId());
            if (line == null || !seen.containsKey(decided.fieldId()) || !isPossible(decided, line)) {
                unknown++;
                continue;
            }
            Clash clash = new Clash(decided, seen.get(decided.fieldId()), line);
            if (isDone(clash, notes.getOrDefault(decided.fieldId(), ""))) same++;
            else if (isAsSeen(clash)) clear.add(decided);
            else conflicts.add(clash);
        }
        return new SortedReview(clear, conflicts, same, unknown);
    }

    private static boolean isPossible(ReviewSheet.Decided decided, FieldLine line) {
        return decided.decision() != ReviewSheet.Decision.REWORD || ReviewSheet.mayReword(line.field());
    }

    /** Whether a decision has been taken in already, with what was said of it. */
    private static boolean isDone(Clash clash, String note) {
        FieldLine now = clash.now;
        if (!clash.wanted().equals(now.draft())) return false;
        return switch (clash.decided.decision()) {
            case APPROVE, REWORD -> now.state() == DraftState.APPROVED || now.isDelivered();
            case SEND_BACK ->
                now.state() == DraftState.SENT_BACK && clash.decided.note().equals(note);
        };
    }

    /** Whether a text is the one that the client saw, or, where taking it in was interrupted, the one that was wanted. */
    private static boolean isAsSeen(Clash clash) {
        FieldLine now = clash.now;
        return !now.isDelivered()
                && (clash.seen.equals(now.draft()) || clash.wanted().equals(now.draft()));
    }
}
