package lucidsweep.server.gather.crawl;

import java.util.List;
import lucidsweep.core.page.AddressScope;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.item.capture.CapturedItem;

/**
 * What came of one address.
 *
 * @param status what the server answered; 0 where it did not
 * @param redirectTo where it leads on; "" where nowhere
 * @param item null unless it was captured
 * @param links those to follow; of a redirect, the one that it leads to
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

    /**
     * A link to follow.
     *
     * @param address in the form in which the crawl knows it
     * @param asked as in {@link Visit}
     * @param nofollow whether it asks not to be followed
     */
    record Link(String address, String asked, long hash, boolean nofollow) {

        /** An address that the scope writes without some parameters is asked for without them. */
        static Link to(PageAddress.Destination to, AddressScope scope, boolean nofollow) {
            String address = scope.normal(to.address());
            String asked = address.equals(to.address()) ? to.asked() : null;
            return new Link(address, asked, TextKey.exactHash(address), nofollow);
        }
    }

    static Answer without(Visit visit, Outcome outcome, String detail) {
        String clipped = detail.length() > LONGEST_DETAIL ? detail.substring(0, LONGEST_DETAIL) : detail;
        return new Answer(visit, outcome, clipped, 0, 0, 0, "", null, List.of(), 0);
    }

    /** An answer that leads on; to null where that is no address of a page. */
    static Answer redirect(Visit visit, Fetched fetched, Link to) {
        return new Answer(
                visit,
                Outcome.REDIRECT,
                "",
                fetched.status(),
                fetched.millis(),
                fetched.body().length,
                to == null ? "" : to.address(),
                null,
                to == null ? List.of() : List.of(to),
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
