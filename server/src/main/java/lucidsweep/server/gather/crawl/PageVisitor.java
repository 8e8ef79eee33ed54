package lucidsweep.server.gather.crawl;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.page.AddressScope;
import lucidsweep.core.page.Indexing;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.page.PageReader;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.item.capture.CapturedItem;
import org.jsoup.Jsoup;

/**
 * Asks for one address after another and reads what comes, after its scripts have run where there is a renderer; used by many
 * threads at once.
 */
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
    private final AddressScope scope;
    private final boolean pastRobots;
    private final Renderer renderer;

    PageVisitor(
            Sweep sweep,
            Property property,
            Fetcher fetcher,
            AddressGuard guard,
            Robots robots,
            RequestPace pace,
            PageCapture pageCapture,
            Frontier frontier,
            AddressScope scope,
            boolean pastRobots,
            Renderer renderer) {
        this.sweep = sweep;
        this.property = property;
        this.fetcher = fetcher;
        this.guard = guard;
        this.robots = robots;
        this.pace = pace;
        this.pageCapture = pageCapture;
        this.frontier = frontier;
        this.scope = scope;
        this.pastRobots = pastRobots;
        this.renderer = renderer;
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
        boolean blocked = !gate.allows(visit.address());
        if (blocked && !pastRobots) {
            return Answer.without(visit, Outcome.BLOCKED, "robots.txt does not allow it");
        }
        pace.atLeast(gate.delayMs());
        Fetched fetched;
        try {
            fetched = fetch(address, visit.asked());
        } catch (Fetcher.Unreachable e) {
            return Answer.without(visit, Outcome.UNREACHABLE, e.getMessage());
        }
        if (fetched.isRedirect()) {
            return Answer.redirect(
                    visit,
                    fetched,
                    PageAddress.destination(address, fetched.location())
                            .map(to -> Answer.Link.to(to, scope, false))
                            .orElse(null));
        }
        if (fetched.status() != 200) {
            return Answer.without(visit, Outcome.ERROR_STATUS, "it answers " + fetched.status())
                    .of(fetched);
        }
        if (!fetched.isHtml()) {
            String type = fetched.contentType().isEmpty() ? "no type and no markup" : fetched.contentType();
            return Answer.without(visit, Outcome.NOT_HTML, "it is " + type).of(fetched);
        }
        return read(visit, address, fetched, blocked);
    }

    private Answer read(Visit visit, URI address, Fetched fetched, boolean blocked) throws InterruptedException {
        PageFacts delivered = PageCapture.read(fetched, address);
        PageFacts facts = delivered;
        String detail = fetched.cutOff() ? "only the first 5 MB were read" : "";
        if (renderer != null) {
            try {
                facts = PageReader.read(Jsoup.parse(renderer.html(address, fetched), address.toString()), address);
            } catch (Renderer.NotRendered e) {
                detail = "read as it was delivered, its scripts could not be run: " + e.getMessage();
            }
        }
        boolean nofollow = Indexing.isNofollow(facts.head().robots()) || Indexing.isNofollow(fetched.robots());
        List<Answer.Link> links = new ArrayList<>();
        int elsewhere = 0;
        for (PageFacts.Link link : facts.links()) {
            elsewhere += follow(link.to(), nofollow || link.nofollow(), links);
        }
        if (!facts.head().refresh().isEmpty()) {
            Optional<PageAddress.Destination> to =
                    PageAddress.destination(address, facts.head().refresh());
            if (to.isPresent()) elsewhere += follow(to.get(), nofollow, links);
        }
        Optional<String> outside = scope.objection(visit.address());
        if (outside.isPresent()) return Answer.passed(visit, fetched, outside.get(), links, elsewhere);
        CapturedItem item = pageCapture.item(
                property.id(),
                sweep.id(),
                address,
                fetched,
                facts,
                ScriptChange.between(delivered, facts),
                visit.depth(),
                blocked);
        return Answer.captured(visit, fetched, item, detail, links, elsewhere);
    }

    /** Adds a link that may be followed; returns 1 where it leads elsewhere. */
    private int follow(PageAddress.Destination to, boolean nofollow, List<Answer.Link> links) {
        if (!scope.isHere(to.address())) return 1;
        Answer.Link link = Answer.Link.to(to, scope, nofollow && !pastRobots);
        if (frontier.isNew(link.hash())) links.add(link);
        return 0;
    }

    /** Asks again, after a pause, where the server had a fault or did not answer. */
    private Fetched fetch(URI address, String asked) throws Fetcher.Unreachable, InterruptedException {
        for (int tried = 1; ; tried++) {
            pace.await();
            try {
                Fetched fetched = fetcher.get(address, asked);
                pace.answered(fetched);
                boolean passing = fetched.status() == 429 || fetched.status() >= 500;
                if (!passing || tried == TRIES) return fetched;
            } catch (Fetcher.Unreachable e) {
                if (tried == TRIES) throw e;
            }
            Thread.sleep(300L * tried);
        }
    }
}
