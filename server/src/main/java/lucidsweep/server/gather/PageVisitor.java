package lucidsweep.server.gather;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.CapturedItem;

/** Asks for one address after another and reads what comes; used by many threads at once. */
final class PageVisitor {

    private static final int TRIES = 3;

    private final Sweep sweep;
    private final Property property;
    private final Fetcher fetcher;
    private final AddressGuard guard;
    private final Robots robots;
    private final RequestPace pace;
    private final PageCapture pageCapture;
    private final Frontier frontier;
    private volatile String authority;

    PageVisitor(
            Sweep sweep,
            Property property,
            Fetcher fetcher,
            AddressGuard guard,
            Robots robots,
            RequestPace pace,
            PageCapture pageCapture,
            Frontier frontier) {
        this.sweep = sweep;
        this.property = property;
        this.fetcher = fetcher;
        this.guard = guard;
        this.robots = robots;
        this.pace = pace;
        this.pageCapture = pageCapture;
        this.frontier = frontier;
    }

    /** Says which host the crawl keeps to. */
    void keepTo(URI start) {
        authority = start.getRawAuthority();
    }

    /** Whether a normal address is on the host that the crawl keeps to. */
    boolean isHere(String address) {
        int from = address.indexOf("//") + 2;
        return address.startsWith(authority, from)
                && (address.length() == from + authority.length() || address.charAt(from + authority.length()) == '/');
    }

    /** What comes of an address; whatever a page does to its reader is an answer too. */
    Answer visit(Visit visit) throws InterruptedException {
        try {
            return ask(visit);
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            return Answer.without(visit, Outcome.UNREADABLE, "the page cannot be read: " + e);
        }
    }

    private Answer ask(Visit visit) throws InterruptedException {
        URI address = URI.create(visit.address());
        Optional<String> objection = guard.objection(address);
        if (objection.isPresent()) return Answer.without(visit, Outcome.REFUSED, objection.get());
        RobotsGate gate = robots.of(address);
        if (!gate.allows(visit.address())) {
            return Answer.without(visit, Outcome.BLOCKED, "robots.txt does not allow it");
        }
        pace.atLeast(gate.delayMs());
        Fetched fetched;
        try {
            fetched = fetch(address);
        } catch (Fetcher.Unreachable e) {
            return Answer.without(visit, Outcome.UNREACHABLE, e.getMessage());
        }
        if (fetched.isRedirect()) {
            String to = PageAddress.resolve(address, fetched.location())
                    .map(URI::toString)
                    .orElse("");
            return Answer.redirect(visit, fetched, to);
        }
        if (fetched.status() != 200) {
            return Answer.without(visit, Outcome.ERROR_STATUS, "it answers " + fetched.status())
                    .of(fetched);
        }
        if (!fetched.isHtml()) {
            String type = fetched.contentType().isEmpty() ? "no type and no markup" : fetched.contentType();
            return Answer.without(visit, Outcome.NOT_HTML, "it is " + type).of(fetched);
        }
        return read(visit, address, fetched);
    }

    private Answer read(Visit visit, URI address, Fetched fetched) {
        PageFacts facts = PageCapture.read(fetched, address);
        CapturedItem item = pageCapture.item(property.id(), sweep.id(), address, fetched, facts, visit.depth());
        List<Answer.Link> links = new ArrayList<>();
        int elsewhere = 0;
        for (PageFacts.Link link : facts.links()) elsewhere += follow(link.address(), links);
        if (!facts.refresh().isEmpty()) {
            Optional<URI> to = PageAddress.resolve(address, facts.refresh());
            if (to.isPresent()) elsewhere += follow(to.get().toString(), links);
        }
        String detail = fetched.cutOff() ? "only the first 5 MB were read" : "";
        return Answer.captured(visit, fetched, item, detail, links, elsewhere);
    }

    /** Adds a link that is to be followed; returns 1 where it leads elsewhere. */
    private int follow(String to, List<Answer.Link> links) {
        if (!isHere(to)) return 1;
        long hash = Likeness.exactHash(to);
        if (frontier.isNew(hash)) links.add(new Answer.Link(to, hash));
        return 0;
    }

    /** Asks again, after a pause, where the server had a fault or did not answer. */
    private Fetched fetch(URI address) throws Fetcher.Unreachable, InterruptedException {
        for (int tried = 1; ; tried++) {
            pace.await();
            try {
                Fetched fetched = fetcher.get(address);
                boolean passing = fetched.status() == 429 || fetched.status() >= 500;
                if (!passing || tried == TRIES) return fetched;
            } catch (Fetcher.Unreachable e) {
                if (tried == TRIES) throw e;
            }
            Thread.sleep(300L * tried);
        }
    }
}
