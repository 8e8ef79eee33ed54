package lucidsweep.server.gather.crawl;

import java.net.URI;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import lucidsweep.core.page.AddressScope;
import lucidsweep.core.page.AddressShape;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.TrapWatch;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.Visit;
import lucidsweep.server.gather.sweep.VisitMapper;
import lucidsweep.server.item.capture.CapturedItem;
import lucidsweep.server.item.capture.Captures;
import lucidsweep.server.item.capture.KnownItems;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * One run over a website. Workers fetch and read pages; the thread that runs the crawl alone stores what they found and
 * feeds them. A page and what its links add to the queue are stored together, so a crawl that was ended anyhow goes on
 * where it was, with no page lost and none captured twice.
 */
final class Crawl implements AutoCloseable {

    private static final int STORE_AT_ONCE = 200;
    private static final long STORE_WITHIN_MS = 150;
    private static final long LOOK_AGAIN_MS = 5;
    private static final long FINISH_WITHIN_MS = 2_000;
    private static final long REST_MS = 100;
    private static final int MAX_REDIRECTS = 10;

    private final Sweep sweep;
    private final Property property;
    private final CrawlSettings settings;
    private final VisitMapper mapper;
    private final Captures captures;
    private final TransactionTemplate transaction;
    private final AppearingItems appearing;
    private final Progress progress;

    private final RequestPace pace;
    private final AddressScope scope;
    private final TrapWatch traps = new TrapWatch();
    private final AddressGuard guard;
    private final Fetcher fetcher;
    private final Robots robots;
    private final Frontier frontier;
    private KnownItems known;
    private final Renderer renderer;
    private final PageVisitor visitor;
    private final BlockingQueue<Answer> answers = new LinkedBlockingQueue<>(STORE_AT_ONCE * 2);
    private final Map<String, String> redirects = new HashMap<>();

    private final long began = System.nanoTime();

    private URI start;
    private volatile boolean over;
    private int elsewhere;
    private long bytes;

    Crawl(
            Sweep sweep,
            Property property,
            CrawlSettings settings,
            VisitMapper mapper,
            Captures captures,
            TransactionTemplate transaction,
            PageCapture pageCapture,
            Login login,
            AppearingItems appearing,
            Progress progress) {
        this.sweep = sweep;
        this.property = property;
        this.settings = settings;
        this.mapper = mapper;
        this.captures = captures;
        this.transaction = transaction;
        this.appearing = appearing;
        this.progress = progress;
        guard = new AddressGuard(property.privateAllowed());
        fetcher = new Fetcher(
                guard,
                login,
                PageAddress.of(sweep.source()).orElseThrow(),
                Fetcher.Patience.USUAL,
                settings.introduced());
        robots = new Robots(fetcher, guard);
        frontier = new Frontier(mapper, sweep.id(), settings.limits().maxDepth());
        scope = settings.scope();
        pace = new RequestPace(new Politeness(
                settings.limits().connections(), settings.limits().delayMs()));
        renderer = settings.scripts()
                ? new Renderer(new ScriptSources(fetcher, guard, robots, pace), settings.introduced())
                : null;
        visitor = new PageVisitor(
                sweep,
                property,
                fetcher,
                guard,
                robots,
                pace,
                pageCapture,
                frontier,
                scope,
                settings.pastRobots(),
                renderer);
    }

    /**
     * Crawls until nothing waits, a limit is reached or somebody stops it.
     *
     * @return whether the whole site was asked, so that what was not seen is gone
     * @throws Refusal where the start cannot be reached
     */
    boolean run() throws InterruptedException {
        keepTo(PageAddress.of(sweep.source()).orElseThrow());
        guard.objection(start).ifPresent(why -> {
            throw Refusal.badInput(why);
        });
        RobotsGate gate = robots.of(start);
        gate.silence().ifPresent(why -> {
            throw Refusal.badInput(start + " cannot be reached: " + why);
        });
        mend();
        known = captures.known(property.id());
        if (frontier.resume()) {
            keepToWhereTheStartLed();
            learnAgain();
        } else {
            begin(gate);
        }
        List<Thread> workers = startWorkers();
        try {
            while (!isDone()) {
                frontier.feed();
                store(gather());
                report();
            }
        } finally {
            end(workers);
        }
        store(whatIsLeft());
        if (frontier.captured() == 0 && frontier.ended() <= 1) refuseIfUnreachable();
        Optional<String> limit = limit();
        if (limit.isPresent() && frontier.waiting() > 0) {
            mapper.leaveWaiting(IdRange.of(sweep.id()), limit.get());
            return false;
        }
        return settings.isWhole() && !progress.stopAsked();
    }

    String summary() {
        String pages = Counted.of(frontier.captured(), "page") + " captured";
        return switch (elsewhere) {
            case 0 -> pages;
            case 1 -> pages + ", 1 link leads to another host";
            default -> pages + ", " + elsewhere + " links lead to other hosts";
        };
    }

    @Override
    public void close() {
        if (renderer != null) renderer.close();
        fetcher.close();
    }

    private void keepTo(URI address) {
        start = address;
        scope.keepTo(address);
    }

    /** The start may have led elsewhere before the crawl was interrupted. */
    private void keepToWhereTheStartLed() {
        IdRange range = IdRange.of(sweep.id());
        for (int step = 0; step < MAX_REDIRECTS; step++) {
            Optional<URI> to = Optional.ofNullable(mapper.redirectOf(range, start.toString()))
                    .flatMap(PageAddress::of);
            if (to.isEmpty()) return;
            keepTo(to.get());
        }
    }

    /** A page that was being stored when the machine went down may be there in part; it is asked again. */
    private void mend() {
        IdRange range = IdRange.of(sweep.id());
        if (mapper.known(range.first() - 1, range.last(), 1).isEmpty()) return;
        mapper.askAgainWhereNothingIsStored(range);
        captures.mend(property.id(), sweep.id());
    }

    /** What was learned of traps and redirects before the crawl was interrupted, from the addresses that are stored. */
    private void learnAgain() {
        Set<Long> leadOn = new HashSet<>();
        frontier.forEachKnown(known -> {
            if (known.outcome().equals(Outcome.REDIRECT.code())) redirects.put(known.address(), known.redirectTo());
            if (!known.foundOn().startsWith("http")) return;
            traps.objection(known.address(), known.foundOn());
            if (!AddressShape.of(known.address()).equals(AddressShape.of(known.foundOn())))
                leadOn.add(TextKey.exactHash(known.foundOn()));
        });
        frontier.forEachKnown(known -> {
            // Its title is not at hand; one like no other leaves the judgement to the pages that are still to come.
            if (known.outcome().equals(Outcome.CAPTURED.code()))
                traps.read(known.address(), known.address(), leadOn.contains(TextKey.exactHash(known.address())));
        });
    }

    private boolean isHere(URI address) {
        return scope.isHere(address.toString());
    }

    private void begin(RobotsGate gate) throws InterruptedException {
        switch (settings.reach()) {
            case LINKS -> {
                frontier.add(start.toString(), 0, "");
                addListed(inSitemaps(gate), "the sitemap");
            }
            case SITEMAPS -> {
                List<String> listed = inSitemaps(gate);
                if (listed.isEmpty()) throw Refusal.badInput("no sitemap of " + start + " lists an address");
                addListed(listed, "the sitemap");
            }
            case LIST -> addListed(settings.addresses(), "the list");
        }
        transaction.executeWithoutResult(status -> frontier.write());
    }

    private List<String> inSitemaps(RobotsGate gate) throws InterruptedException {
        List<URI> files = new ArrayList<>();
        for (String file : gate.sitemaps())
            PageAddress.of(file).filter(this::isHere).ifPresent(files::add);
        if (files.isEmpty()) files.add(start.resolve("/sitemap.xml"));
        return new Sitemaps(fetcher, this::isHere)
                .addresses(files, settings.limits().maxPages() * 2);
    }

    private void addListed(List<String> addresses, String where) {
        for (String written : addresses) {
            Optional<URI> address = PageAddress.of(written);
            if (address.isEmpty()) {
                String clipped = written.length() > 2_000 ? written.substring(0, 2_000) : written;
                frontier.leaveOut(clipped, 0, where, Outcome.UNREADABLE, "this is no address of a page");
            } else if (!isHere(address.get())) {
                frontier.leaveOut(address.get().toString(), 0, where, Outcome.OUT_OF_SCOPE, "on another host");
            } else {
                PageAddress.destination(address.get(), written)
                        .ifPresent(to -> follow(Answer.Link.to(to, scope, false), 0, where));
            }
        }
    }

    /** Adds an address that is here, unless the scope or the watch for traps has something against it; returns whether it was added. */
    private boolean follow(Answer.Link link, int depth, String foundOn) {
        if (!frontier.isNew(link.hash())) return false;
        String address = link.address();
        Optional<String> outside = scope.objection(address);
        if (outside.isPresent()) {
            frontier.leaveOut(address, depth, foundOn, Outcome.OUT_OF_SCOPE, outside.get());
            return false;
        }
        Optional<String> trap = traps.objection(address, foundOn.startsWith("http") ? foundOn : "");
        if (trap.isPresent()) {
            frontier.leaveOut(address, depth, foundOn, Outcome.TRAP, trap.get());
            return false;
        }
        return frontier.add(link, depth, foundOn);
    }

    /** The limit that was reached, in words. */
    private Optional<String> limit() {
        if (frontier.captured() >= settings.limits().maxPages()) {
            return Optional.of("the limit of " + Counted.of(settings.limits().maxPages(), "page") + " was reached");
        }
        long minutes = TimeUnit.NANOSECONDS.toMinutes(System.nanoTime() - began);
        if (settings.limits().maxMinutes() > 0 && minutes >= settings.limits().maxMinutes()) {
            return Optional.of("the limit of " + Counted.of(settings.limits().maxMinutes(), "minute") + " was reached");
        }
        if (settings.limits().maxMegabytes() > 0 && bytes >= settings.limits().maxMegabytes() * 1_000_000L) {
            return Optional.of("the limit of " + settings.limits().maxMegabytes() + " MB was reached");
        }
        return Optional.empty();
    }

    private boolean isDone() {
        return progress.stopAsked() || limit().isPresent() || frontier.waiting() == 0 && answers.isEmpty();
    }

    private void report() {
        long known = (long) frontier.ended() + frontier.waiting();
        long max = (long) settings.limits().maxPages() + frontier.ended() - frontier.captured();
        progress.report(frontier.ended(), Math.min(known, max));
    }

    private List<Thread> startWorkers() {
        List<Thread> workers = new ArrayList<>();
        for (int i = 0; i < settings.limits().connections(); i++) {
            int place = i;
            Thread worker = new Thread(() -> work(place), "crawl-" + sweep.id() + "-" + i);
            worker.setDaemon(true);
            worker.start();
            workers.add(worker);
        }
        return workers;
    }

    /** Lets the workers finish what they are at, but not for long. */
    private void end(List<Thread> workers) throws InterruptedException {
        over = true;
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(frontier.underWay() > 0 ? FINISH_WITHIN_MS : 0);
        for (Thread worker : workers)
            worker.join(Math.max(1, TimeUnit.NANOSECONDS.toMillis(until - System.nanoTime())));
        for (Thread worker : workers) worker.interrupt();
        for (Thread worker : workers) worker.join(TimeUnit.SECONDS.toMillis(60));
    }

    private void work(int place) {
        try {
            while (!over) {
                if (!pace.hasRoomFor(place)) {
                    Thread.sleep(REST_MS);
                    continue;
                }
                Visit visit = frontier.next();
                if (visit == null) continue;
                Answer answer = visitor.visit(visit);
                // What was broken off, or read with a parser that heeds interrupts, says nothing of the page.
                if (Thread.currentThread().isInterrupted()) return;
                if (!answers.offer(answer)) answers.put(answer);
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    /**
     * Takes the answers that come within a moment; storing many at once is what makes it fast. It looks for them now and then:
     * to be woken by each would cost as much as storing it.
     */
    private List<Answer> gather() throws InterruptedException {
        List<Answer> batch = new ArrayList<>(STORE_AT_ONCE);
        long until = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(STORE_WITHIN_MS);
        int enough = Math.min(STORE_AT_ONCE, frontier.underWay());
        answers.drainTo(batch, enough);
        while (batch.size() < enough && System.nanoTime() < until) {
            Thread.sleep(LOOK_AGAIN_MS);
            answers.drainTo(batch, enough - batch.size());
        }
        frontier.answered(batch.size());
        return batch;
    }

    /** What came in after the last storing: it was asked, so it need not be asked again. */
    private List<Answer> whatIsLeft() {
        List<Answer> batch = new ArrayList<>();
        answers.drainTo(batch);
        frontier.answered(batch.size());
        return batch;
    }

    private void store(List<Answer> batch) {
        if (batch.isEmpty()) return;
        List<Long> itemIds = new ArrayList<>(batch.size());
        transaction.executeWithoutResult(status -> {
            for (Answer answer : batch) bytes += answer.bytes();
            int room = settings.limits().maxPages() - frontier.captured();
            List<Answer> pages = batch.stream()
                    .filter(answer -> answer.item() != null)
                    .limit(room)
                    .toList();
            List<CapturedItem> items = pages.stream().map(Answer::item).toList();
            List<Captures.Stored> stored = captures.store(known, items);
            stored.forEach(each -> itemIds.add(each.itemId()));
            for (int i = 0; i < pages.size(); i++) endPage(pages.get(i), stored.get(i));
            for (Answer answer : batch) if (answer.item() == null) endOther(answer);
            frontier.write();
        });
        appearing.add(itemIds);
    }

    private void endPage(Answer answer, Captures.Stored stored) {
        frontier.end(answer, answer.outcome(), answer.detail(), stored);
        followLinks(answer);
    }

    private void followLinks(Answer answer) {
        elsewhere += answer.elsewhere();
        if (settings.reach() != CrawlSettings.Reach.LINKS) return;
        Visit from = answer.visit();
        boolean newShapes = false;
        for (Answer.Link link : answer.links()) {
            if (link.nofollow()) {
                frontier.holdBack(link, from.depth() + 1, from.address());
            } else if (follow(link, from.depth() + 1, from.address())) {
                newShapes |= !AddressShape.of(link.address()).equals(AddressShape.of(from.address()));
            }
        }
        traps.read(from.address(), answer.title(), newShapes);
    }

    private void endOther(Answer answer) {
        if (answer.outcome() != Outcome.REDIRECT) {
            frontier.end(answer, answer.outcome(), answer.detail(), null);
            if (answer.outcome() == Outcome.PASSED) followLinks(answer);
            return;
        }
        redirects.put(answer.visit().address(), answer.redirectTo());
        Optional<String> loop = loop(answer.visit().address());
        frontier.end(answer, loop.isPresent() ? Outcome.REDIRECT_LOOP : Outcome.REDIRECT, loop.orElse(""), null);
        if (loop.isEmpty()) followRedirect(answer);
    }

    private void followRedirect(Answer answer) {
        if (answer.links().isEmpty()) return;
        Answer.Link link = answer.links().get(0);
        URI to = URI.create(link.address());
        boolean fromStart = answer.visit().address().equals(start.toString());
        if (fromStart && (!isHere(to) || frontier.captured() == 0)) keepTo(to);
        if (isHere(to)) follow(link, answer.visit().depth(), answer.visit().address());
        else elsewhere++;
    }

    private Optional<String> loop(String address) {
        StringBuilder way = new StringBuilder(address);
        String at = address;
        for (int step = 0; step < MAX_REDIRECTS && redirects.containsKey(at); step++) {
            at = redirects.get(at);
            way.append(" → ").append(at);
            if (at.equals(address)) return Optional.of(way.toString());
        }
        return Optional.empty();
    }

    private void refuseIfUnreachable() {
        IdRange range = IdRange.of(sweep.id());
        for (Visit visit : mapper.visits(null, range.first() - 1, range.last(), 1)) {
            if (visit.outcome().equals(Outcome.UNREACHABLE.code())) {
                throw Refusal.badInput(start + " cannot be reached: " + visit.detail());
            }
        }
    }
}
