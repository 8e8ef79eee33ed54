package lucidsweep.server.gather.crawl;

import java.util.List;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.item.capture.CapturedItem;

/**
 * What came of one address.
 *
 * @param status what the server answered; 0 where it did not
 * @param redirectTo where it leads on; "" where nowhere
 * @param item null unless it was captured
 * @param links those to follow
 * @param elsewhere how many links lead to other hosts
 */
record Answer(
        Visit visit,
        Outcome outcome,
        String detail,
        int status,
        int millis,
        int bytes,
        String redirectTo,
        CapturedItem item,
        List<Link> links,
        int elsewhere) {

    private static final int LONGEST_DETAIL = 2_000;

    /** An address, its hash, and whether it is asked not to be followed. */
    record Link(String address, long hash, boolean nofollow) {}

    static Answer without(Visit visit, Outcome outcome, String detail) {
        String clipped = detail.length() > LONGEST_DETAIL ? detail.substring(0, LONGEST_DETAIL) : detail;
        return new Answer(visit, outcome, clipped, 0, 0, 0, "", null, List.of(), 0);
    }

    static Answer redirect(Visit visit, Fetched fetched, String to) {
        return new Answer(
                visit,
                Outcome.REDIRECT,
                "",
                fetched.status(),
                fetched.millis(),
                fetched.body().length,
                to,
                null,
                List.of(),
                0);
    }

    static Answer captured(
            Visit visit, Fetched fetched, CapturedItem item, String detail, List<Link> links, int elsewhere) {
        return new Answer(
                visit,
                Outcome.CAPTURED,
                detail,
                fetched.status(),
                fetched.millis(),
                fetched.body().length,
                "",
                item,
                links,
                elsewhere);
    }

    /** A page that is looked at for its links only. */
    static Answer passed(Visit visit, Fetched fetched, String why, List<Link> links, int elsewhere) {
        return new Answer(
                visit,
                Outcome.PASSED,
                why + "; looked at for its links only",
                fetched.status(),
                fetched.millis(),
                fetched.body().length,
                "",
                null,
                links,
                elsewhere);
    }

    /** The title of a page that was captured; "" of anything else. */
    String title() {
        return item == null ? "" : item.title().text();
    }

    /** The same with what the server answered. */
    Answer of(Fetched fetched) {
        return new Answer(
                visit,
                outcome,
                detail,
                fetched.status(),
                fetched.millis(),
                fetched.body().length,
                redirectTo,
                item,
                links,
                elsewhere);
    }
}
