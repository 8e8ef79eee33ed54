package lucidsweep.server.gather.crawl;

import java.net.URI;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.page.AddressScope;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.gather.imports.ImportShape;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.gather.sweep.SweepStanding;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.gather.sweep.VisitMapper;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.item.capture.Captures;
import lucidsweep.server.item.capture.SiteNotes;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Starts crawls, goes on with those that were cut short, and tells what they saw. */
@Service
public class Sweeps {

    private static final Set<Sweep.State> CAN_GO_ON = EnumSet.of(Sweep.State.STOPPED, Sweep.State.FAILED);

    private final SweepStore store;
    private final VisitMapper mapper;
    private final Visits visits;
    private final Captures captures;
    private final SiteNotes siteNotes;
    private final Drafts drafts;
    private final PropertyLine line;
    private final Clients clients;
    private final Items items;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final Logins logins;
    private final ApplicationEventPublisher publisher;
    private final boolean goOnByItself;

    Sweeps(
            SweepStore store,
            VisitMapper mapper,
            Visits visits,
            Captures captures,
            SiteNotes siteNotes,
            Drafts drafts,
            PropertyLine line,
            Clients clients,
            Items items,
            Jobs jobs,
            TransactionTemplate transaction,
            JsonMapper json,
            Logins logins,
            ApplicationEventPublisher publisher,
            @Value("${lucid.go-on:true}") boolean goOnByItself) {
        this.store = store;
        this.mapper = mapper;
        this.visits = visits;
        this.captures = captures;
        this.siteNotes = siteNotes;
        this.drafts = drafts;
        this.line = line;
        this.clients = clients;
        this.items = items;
        this.jobs = jobs;
        this.transaction = transaction;
        this.json = json;
        this.logins = logins;
        this.publisher = publisher;
        this.goOnByItself = goOnByItself;
    }

    /** Starts a crawl of a website from its address. */
    public Sweep start(long propertyId, CrawlSettings settings) {
        Sweep sweep = create(propertyId, settings);
        jobs.start(sweep.jobId(), progress -> crawl(sweep, settings, progress));
        return sweep;
    }

    /**
     * Begins with nothing but an address: makes a client and a website of it, named by its host, and sweeps it as gently as by
     * default. A site on this very machine may be reached, since it was named.
     */
    Sweep startOfAddress(String given) {
        String full = given.strip().contains("://") ? given.strip() : "https://" + given.strip();
        String host = PageAddress.of(full)
                .map(URI::getHost)
                .orElseThrow(() -> Refusal.badInput(
                        "expected the address of a website such as https://example.com/, got \"" + given + "\""));
        Client client = clients.addClient(new ClientForm(host, "", ""));
        boolean here = Set.of("127.0.0.1", "localhost", "[::1]").contains(host);
        Property property =
                clients.addProperty(new PropertyForm(client.id(), PropertyKind.WEBSITE, host, full, "en", here));
        return start(property.id(), CrawlSettings.GENTLE);
    }

    /** Sweeps one page again, as the last crawl of its property was set. */
    Sweep startOfItem(long itemId) {
        long propertyId = items.propertyOf(itemId);
        String address = items.addresses(List.of(itemId)).get(itemId);
        return startOf(propertyId, List.of(address));
    }

    /** Sweeps some pages again, as the last crawl of their property was set. */
    public Sweep startOf(long propertyId, List<String> addresses) {
        return start(propertyId, lastSettings(propertyId).only(addresses));
    }

    /** How the last crawl of a property was set, those of a list or a single item aside. */
    public CrawlSettings lastSettings(long propertyId) {
        return store.ofKind(propertyId, Sweep.Kind.CRAWL).stream()
                .map(sweep -> store.settings(sweep.id(), CrawlSettings.class))
                .filter(settings -> settings.reach() != CrawlSettings.Reach.LIST)
                .findFirst()
                .orElse(CrawlSettings.GENTLE);
    }

    /**
     * Says what a scope would make of the addresses that a property is known to have; before its first sweep, of those that
     * its start links to.
     */
    ScopeTrial tryScope(long propertyId, CrawlSettings settings) {
        Property property = clients.property(propertyId);
        ScopeTrial.Counter counter = new ScopeTrial.Counter(settings.scope());
        items.forEachAddress(propertyId, (address, id) -> counter.add(address));
        if (counter.isEmpty()) linksOfStart(property, settings.introduced()).forEach(counter::add);
        return counter.result();
    }

    private Set<String> linksOfStart(Property property, Agent agent) {
        URI start = PageAddress.of(property.address()).orElseThrow();
        AddressScope here = CrawlSettings.GENTLE.scope();
        here.keepTo(start);
        AddressGuard guard = new AddressGuard(property.privateAllowed());
        guard.objection(start).ifPresent(why -> {
            throw Refusal.badInput(why);
        });
        try (Fetcher fetcher = new Fetcher(guard, logins.of(property.id()), start, Fetcher.Patience.USUAL, agent)) {
            if (!RobotsGate.of(start, fetcher, guard).allows(start.toString())) return Set.of();
            Set<String> links = new LinkedHashSet<>(Set.of(start.toString()));
            PageCapture.read(fetcher.get(start), start).links().stream()
                    .map(PageFacts.Link::address)
                    .filter(here::isHere)
                    .forEach(links::add);
            return links;
        } catch (Fetcher.Unreachable e) {
            throw Refusal.badInput(start + " cannot be reached: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Set.of();
        }
    }

    /** Goes on with the last crawl of a property where it was stopped or failed: what it saw is there. */
    Sweep goOn(long sweepId) {
        Sweep sweep = store.find(sweepId);
        clients.property(sweep.propertyId());
        boolean last = store.ofProperty(sweep.propertyId()).get(0).id() == sweepId;
        if (!last || sweep.kind() != Sweep.Kind.CRAWL || !CAN_GO_ON.contains(sweep.state())) {
            throw Refusal.conflict(
                    "only the last sweep can be resumed, and only if it was stopped or failed; start a new one");
        }
        Sweep reopened = store.reopen(sweepId);
        goOn(reopened);
        return reopened;
    }

    /** The crawl of a property that was cut short and has not gone on yet. */
    public Optional<Sweep> cutShort(long propertyId) {
        return store.unfinished(Sweep.Kind.CRAWL).stream()
                .filter(sweep -> sweep.propertyId() == propertyId)
                .findFirst();
    }

    public SweepStanding standing(long sweepId) {
        return mapper.standing(IdRange.of(sweepId));
    }

    /** Goes on with a crawl that was cut short, on the caller's thread and as set now. */
    public Sweep goOnNow(long sweepId, CrawlSettings settings) {
        Sweep sweep = store.find(sweepId);
        store.setSettings(sweepId, settings);
        jobs.runNow(sweep.jobId(), progress -> crawl(sweep, settings, progress));
        return store.find(sweepId);
    }

    private void goOn(Sweep sweep) {
        CrawlSettings settings = store.settings(sweep.id(), CrawlSettings.class);
        jobs.start(sweep.jobId(), progress -> crawl(sweep, settings, progress));
    }

    /** Runs a crawl on the caller's thread. */
    public Sweep runNow(long propertyId, CrawlSettings settings) {
        Sweep sweep = create(propertyId, settings);
        jobs.runNow(sweep.jobId(), progress -> crawl(sweep, settings, progress));
        return store.find(sweep.id());
    }

    /** Whether a sweep looked at everything there was, so that what it did not see is gone. */
    public boolean isWhole(long sweepId) {
        Sweep sweep = store.find(sweepId);
        if (sweep.state() != Sweep.State.DONE) return false;
        if (sweep.kind() == Sweep.Kind.IMPORT) {
            return store.settings(sweepId, ImportShape.class).kind() != RowKind.PAGES;
        }
        boolean limited = mapper.outcomes(IdRange.of(sweepId)).stream()
                .anyMatch(outcome -> outcome.outcome().equals(Outcome.OVER_LIMIT.code()));
        return !limited && store.settings(sweepId, CrawlSettings.class).isWhole();
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOnAfterTheEnd() {
        if (!goOnByItself) return;
        for (Sweep sweep : store.unfinished(Sweep.Kind.CRAWL)) {
            if (clients.isRemoved(sweep.propertyId())) {
                store.end(sweep.id(), Sweep.State.FAILED);
                jobs.close(sweep.jobId(), "The application ended before this did, and the property was removed since.");
            } else goOn(sweep);
        }
    }

    private Sweep create(long propertyId, CrawlSettings settings) {
        Property property = clients.property(propertyId);
        settings.scope();
        if (settings.scripts()) Renderer.check();
        if (property.kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only websites can be crawled; this property is filled from a file");
        }
        String address = PageAddress.of(property.address()).orElseThrow().toString();
        return transaction.execute(status -> {
            long job = jobs.create(propertyId, "crawl", "Sweep of " + address);
            return store.begin(
                    new SweepStore.NewSweep(propertyId, job, Sweep.Kind.CRAWL, address, true, null), settings);
        });
    }

    private Map<String, String> redirects(long sweepId) {
        Map<String, String> found = new HashMap<>();
        visits.forEach(sweepId, Outcome.REDIRECT.code(), visit -> found.put(visit.address(), visit.redirectTo()));
        return found;
    }

    private String crawl(Sweep sweep, CrawlSettings settings, Progress progress) throws InterruptedException {
        String note = crawled(sweep, settings, progress);
        if (!jobs.isClosing()) items.prepare(sweep.propertyId());
        return note;
    }

    private String crawled(Sweep sweep, CrawlSettings settings, Progress progress) throws InterruptedException {
        Property property = clients.property(sweep.propertyId());
        PageCapture pageCapture = new PageCapture(json, property.standard(), settings.keepsSource());
        try (Crawl crawl = new Crawl(
                sweep,
                property,
                settings,
                mapper,
                captures,
                transaction,
                pageCapture,
                logins.of(property.id()),
                new AppearingItems(items, property.id()),
                progress)) {
            boolean complete = crawl.run();
            if (progress.stopAsked() && jobs.isClosing()) return "";
            int gone = complete ? captures.markGone(sweep.propertyId(), sweep.id()) : 0;
            captures.countLinks(sweep.propertyId(), sweep.source(), redirects(sweep.id()));
            int twins = captures.joinTwins(sweep.propertyId(), sweep.id());
            if (settings.reach() != CrawlSettings.Reach.LIST) {
                siteNotes.note(sweep.propertyId(), visits.elsewhere(sweep.id()), visits.inSitemap(sweep.id()));
            }
            line.run(sweep.propertyId(), "the end of a sweep", () -> drafts.seeLive(sweep.propertyId()));
            publisher.publishEvent(new SweepEnded(sweep.propertyId(), sweep.id()));
            store.end(sweep.id(), progress.stopAsked() ? Sweep.State.STOPPED : Sweep.State.DONE);
            // Tables have it already: whoever works out what a sweep means for targets and findings says so.
            items.changed(sweep.propertyId(), Set.of());
            return crawl.summary()
                    + (twins == 0 ? "" : ", " + twins + (twins == 1 ? " is" : " are") + " the same page as another")
                    + (gone == 0 ? "" : ", " + gone + (gone == 1 ? " is" : " are") + " gone since the last sweep")
                    + ".";
        } catch (RuntimeException | Error e) {
            store.end(sweep.id(), Sweep.State.FAILED);
            throw e;
        }
    }
}
