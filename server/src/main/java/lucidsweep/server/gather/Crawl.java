package lucidsweep.server.gather;

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
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.CapturedItem;
import lucidsweep.server.item.Captures;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Refusal;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * One run over a website. Workers fetch and read pages; the thread that runs the crawl alone stores what they found and
 * feeds them. The queue is the table of visits, and a page and what its links add to the queue are stored together, so
 * a crawl that was ended anyhow goes on where it was, with no page lost and none captured twice.
 */
final class Crawl implements AutoCloseable {

    private static final int READY = 400;
    private static final int STORE_AT_ONCE = 50;
    private static final int TRIES = 3;
    private static final int MOST_REDIRECTS = 10;

    private final Sweep sweep;
    private final Property property;
    private final CrawlSettings settings;
    private final GatherMapper mapper;
    private final Captures captures;
    private final TransactionTemplate transaction;
    private final PageCapture pageCapture;
    private final Progress progress;

    private final Fetcher fetcher = new Fetcher();
    private final AddressGuard guard;
    private final BlockingQueue<Visit> ready = new LinkedBlockingQueue<>();
    private final BlockingQueue<Answer> answers = new LinkedBlockingQueue<>(STORE_AT_ONCE * 4);
    private final Set<Long> seen = new HashSet<>();
    private final Map<String, String> redirects = new HashMap<>();
    private final RequestPace pace;

    private URI start;
    private RobotsGate robots;
    private volatile boolean over;
    private long lastLoaded;
    private int waiting;
    private int ended;
    private int captured;
    private int elsewhere;

    /** What came of one address; item is null unless it was captured. */
    private record Answer(
            Visit visit,
            Outcome outcome,
            String detail,
            Fetched fetched,
            String redirectTo,
            CapturedItem item,
            List<PageFacts.Link> links,
            String refresh) {

        static Answer without(Visit visit, Outcome outcome, String detail, Fetched fetched) {
            return new Answer(visit, outcome, detail, fetched, "", null, List.of(), "");
        }
    }

    Crawl(
            Sweep sweep,
            Property property,
            CrawlSettings settings,
            GatherMapper mapper,
            Captures captures,
            TransactionTemplate transaction,
            PageCapture pageCapture,
            Progress progress) {
        this.sweep = sweep;
        this.property = property;
        this.settings = settings;
        this.mapper = mapper;
        this.captures = captures;
        this.transaction = transaction;
        this.pageCapture = pageCapture;
        this.progress = progress;
        this.guard = new AddressGuard(property.privateAllowed());
        this.pace = new RequestPace();
    }

    /**
     * Crawls until nothing waits, the limit is reached or somebody stops it.
     *
     * @return whether every address was asked, so that what was not seen is gone
     * @throws Refusal where the start cannot be reached
     */
    boolean run() throws InterruptedException {
        start = PageAddress.of(sweep.source()).orElseThrow();
        guard.objection(start).ifPresent(why -> {
            throw Refusal.badInput(why);
        });
        robots = RobotsGate.of(start, fetcher);
        robots.silence().ifPresent(why -> {
            throw Refusal.badInput(start + " cannot be reached: " + why);
        });
        pace.every(Math.max(settings.delayMs(), robots.delayMs()));
        if (!resume()) begin();
        List<Thread> workers = startWorkers();
        try {
            while (!isDone()) {
                feed();
                store(answers.poll(200, TimeUnit.MILLISECONDS));
                progress.report(
                        ended, Math.min((long) ended + waiting, (long) settings.mostPages() + ended - captured));
            }
        } finally {
            over = true;
            for (Thread worker : workers) worker.interrupt();
            for (Thread worker : workers) worker.join(TimeUnit.SECONDS.toMillis(60));
        }
        if (captured == 0 && ended <= 1) refuseIfUnreachable();
        if (captured >= settings.mostPages() && waiting > 0) {
            mapper.leaveWaiting(sweep.id(), "the limit of " + settings.mostPages() + " pages was reached");
            return false;
        }
        return !progress.stopAsked();
    }

    String summary() {
        String pages = captured + (captured == 1 ? " page" : " pages") + " captured";
        return elsewhere == 0 ? pages : pages + ", " + elsewhere + " links lead to other hosts";
    }

    @Override
    public void close() {
        fetcher.close();
    }

    private void begin() throws InterruptedException {
        enqueue(start.toString(), 0, "");
        List<URI> files = new ArrayList<>();
        for (String file : robots.sitemaps())
            PageAddress.of(file).filter(this::isHere).ifPresent(files::add);
        if (files.isEmpty()) files.add(start.resolve("/sitemap.xml"));
        List<String> listed = new Sitemaps(fetcher, this::isHere).addresses(files, settings.mostPages() * 2);
        transaction.executeWithoutResult(status -> {
            for (String address : listed) {
                PageAddress.of(address).filter(this::isHere).ifPresent(to -> enqueue(to.toString(), 0, "the sitemap"));
            }
        });
    }

    private boolean resume() {
        long after = 0;
        List<GatherMapper.Known> chunk;
        do {
            chunk = mapper.known(sweep.id(), after, 1_000);
            for (GatherMapper.Known known : chunk) {
                after = known.id();
                seen.add(Likeness.exactHash(known.address()));
                if (known.outcome().equals(Outcome.WAITING.code())) waiting++;
                else ended++;
                if (known.outcome().equals(Outcome.CAPTURED.code())) captured++;
            }
        } while (chunk.size() == 1_000);
        return after > 0;
    }

    private boolean isDone() {
        if (progress.stopAsked() || captured >= settings.mostPages()) return true;
        return waiting == 0 && answers.isEmpty();
    }

    private void feed() {
        if (ready.size() > READY / 2) return;
        List<Visit> next = mapper.waiting(sweep.id(), lastLoaded, READY);
        if (next.isEmpty()) return;
        lastLoaded = next.get(next.size() - 1).id();
        ready.addAll(next);
    }

    private List<Thread> startWorkers() {
        List<Thread> workers = new ArrayList<>();
        for (int i = 0; i < settings.connections(); i++) {
            Thread worker = new Thread(this::work, "crawl-" + sweep.id() + "-" + i);
            worker.setDaemon(true);
            worker.start();
            workers.add(worker);
        }
        return workers;
    }

    private void work() {
        try {
            while (!over) {
                Visit visit = ready.poll(100, TimeUnit.MILLISECONDS);
                if (visit != null) answers.put(visit(visit));
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    private Answer visit(Visit visit) throws InterruptedException {
        try {
            return ask(visit);
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            return Answer.without(visit, Outcome.UNREADABLE, "the page cannot be read: " + e, null);
        }
    }

    private Answer ask(Visit visit) throws InterruptedException {
        URI address = URI.create(visit.address());
        if (!robots.allows(visit.address())) {
            return Answer.without(visit, Outcome.BLOCKED, "robots.txt does not allow it", null);
        }
        Optional<String> objection = guard.objection(address);
        if (objection.isPresent()) return Answer.without(visit, Outcome.REFUSED, objection.get(), null);
        Fetched fetched;
        try {
            fetched = fetch(address);
        } catch (Fetcher.Unreachable e) {
            return Answer.without(visit, Outcome.UNREACHABLE, e.getMessage(), null);
        }
        if (fetched.isRedirect()) {
            String to = PageAddress.resolve(address, fetched.location())
                    .map(URI::toString)
                    .orElse("");
            return new Answer(visit, Outcome.REDIRECT, "", fetched, to, null, List.of(), "");
        }
        if (fetched.status() != 200) {
            return Answer.without(visit, Outcome.ERROR_STATUS, "it answers " + fetched.status(), fetched);
        }
        if (!fetched.isHtml()) {
            String type = fetched.contentType().isEmpty() ? "no type and no markup" : fetched.contentType();
            return Answer.without(visit, Outcome.NOT_HTML, "it is " + type, fetched);
        }
        PageFacts facts = PageCapture.read(fetched, address);
        String detail = fetched.cutOff() ? "only the first 5 MB were read" : "";
        CapturedItem item = pageCapture.item(property.id(), sweep.id(), address, fetched, facts, visit.depth());
        return new Answer(visit, Outcome.CAPTURED, detail, fetched, "", item, facts.links(), facts.refresh());
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
                if (tried == TRIES || over) throw e;
            }
            Thread.sleep(300L * tried);
        }
    }

    private void store(Answer first) {
        if (first == null) return;
        List<Answer> batch = new ArrayList<>(List.of(first));
        answers.drainTo(batch, STORE_AT_ONCE - 1);
        transaction.executeWithoutResult(status -> batch.forEach(this::store1));
    }

    private void store1(Answer answer) {
        boolean overLimit = answer.item != null && captured >= settings.mostPages();
        if (overLimit) return;
        Outcome outcome = answer.outcome;
        String detail = answer.detail;
        if (outcome == Outcome.REDIRECT) {
            redirects.put(answer.visit.address(), answer.redirectTo);
            Optional<String> loop = loop(answer.visit.address());
            if (loop.isPresent()) {
                outcome = Outcome.REDIRECT_LOOP;
                detail = loop.get();
            } else {
                followRedirect(answer);
            }
        }
        Captures.Stored stored = null;
        if (answer.item != null) {
            stored = captures.store(answer.item, property.standard());
            captured++;
            follow(answer);
        }
        Fetched fetched = answer.fetched;
        mapper.endVisit(
                answer.visit.id(),
                outcome.code(),
                detail.length() > 2_000 ? detail.substring(0, 2_000) : detail,
                fetched == null ? 0 : fetched.status(),
                answer.redirectTo,
                fetched == null ? 0 : fetched.millis(),
                fetched == null ? 0 : fetched.body().length,
                stored == null ? null : stored.itemId(),
                stored == null ? null : stored.captureId());
        waiting--;
        ended++;
    }

    private void followRedirect(Answer answer) {
        if (answer.redirectTo.isEmpty()) return;
        URI to = URI.create(answer.redirectTo);
        boolean fromStart = answer.visit.address().equals(start.toString());
        if (fromStart && (!isHere(to) || captured == 0)) start = to;
        if (isHere(to)) enqueue(to.toString(), answer.visit.depth(), answer.visit.address());
        else elsewhere++;
    }

    private Optional<String> loop(String address) {
        StringBuilder way = new StringBuilder(address);
        String at = address;
        for (int step = 0; step < MOST_REDIRECTS && redirects.containsKey(at); step++) {
            at = redirects.get(at);
            way.append(" → ").append(at);
            if (at.equals(address)) return Optional.of(way.toString());
        }
        return Optional.empty();
    }

    private void follow(Answer answer) {
        int depth = answer.visit.depth() + 1;
        for (PageFacts.Link link : answer.links) follow(URI.create(link.address()), depth, answer.visit.address());
        if (!answer.refresh.isEmpty()) {
            PageAddress.resolve(URI.create(answer.visit.address()), answer.refresh)
                    .ifPresent(to -> follow(to, depth, answer.visit.address()));
        }
    }

    private void follow(URI to, int depth, String from) {
        if (isHere(to)) enqueue(to.toString(), depth, from);
        else elsewhere++;
    }

    private void enqueue(String address, int depth, String foundOn) {
        if (!seen.add(Likeness.exactHash(address))) return;
        if (depth > settings.mostDepth()) {
            mapper.insertVisit(
                    sweep.id(),
                    address,
                    depth,
                    foundOn,
                    Outcome.TOO_DEEP.code(),
                    "more than " + settings.mostDepth() + " links from the start");
            return;
        }
        mapper.insertVisit(sweep.id(), address, depth, foundOn, Outcome.WAITING.code(), "");
        waiting++;
    }

    private boolean isHere(URI address) {
        return address.getHost() != null
                && address.getHost().equals(start.getHost())
                && address.getPort() == start.getPort();
    }

    private void refuseIfUnreachable() {
        for (Visit visit : mapper.visits(sweep.id(), null, 0, 1)) {
            if (visit.outcome().equals(Outcome.UNREACHABLE.code())) {
                throw Refusal.badInput(start + " cannot be reached: " + visit.detail());
            }
        }
    }
}
