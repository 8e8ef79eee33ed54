package lucidsweep.server.gather.crawl;

import com.microsoft.playwright.PlaywrightException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import lucidsweep.server.web.Refusal;

/**
 * Runs the scripts of pages in the machine's own Chromium, a few pages at once. The browser itself reaches no network: all
 * that a page asks for comes through {@link ScriptSources}.
 */
final class Renderer implements AutoCloseable {

    private static final int PAGES_AT_ONCE = 2;

    private static final List<String> BROWSERS = List.of("chromium", "chromium-browser");

    private final ScriptSources sources;
    private final Agent agent;
    private final Path chromium;
    private final Path node;
    private final BlockingQueue<Work> waiting = new ArrayBlockingQueue<>(64);
    private final List<Thread> threads = new ArrayList<>();
    private volatile boolean closed;

    /** A page that waits for a browser, and the thread and the browser that are at it. */
    private static final class Work {
        private final URI address;
        private final Fetched page;
        private final CompletableFuture<String> html = new CompletableFuture<>();

        /** Done once a browser has it: what it waits for others, and for a browser to start, is not its own time. */
        private final CompletableFuture<Void> begun = new CompletableFuture<>();

        private Thread at;
        private RenderingBrowser in;

        private Work(URI address, Fetched page) {
            this.address = address;
            this.page = page;
        }

        /** Says which thread is at it; returns whether it is still wanted. */
        private synchronized boolean begin() {
            at = Thread.currentThread();
            return !html.isDone();
        }

        /** Says which browser builds it; returns whether it is still wanted. */
        private synchronized boolean build(RenderingBrowser browser) {
            in = browser;
            begun.complete(null);
            return !html.isDone();
        }

        private synchronized void end() {
            at = null;
            in = null;
            // What came too late concerns this page, not the next one.
            Thread.interrupted();
        }

        /** Ends it: a script that never ends holds the browser, and the thread with it, for ever. */
        private synchronized void giveUp() {
            html.cancel(false);
            if (in != null) in.kill();
            if (at != null) at.interrupt();
        }
    }

    /** A page whose scripts could not be run; the message says why. */
    static final class NotRendered extends Exception {
        private static final long serialVersionUID = 1L;

        NotRendered(String why) {
            super(why);
        }
    }

    /**
     * Starts the threads; a browser is started with the first page of each.
     *
     * @throws Refusal where the machine has no browser
     */
    Renderer(ScriptSources sources, Agent agent) {
        this.sources = sources;
        this.agent = agent;
        chromium = chromium();
        node = node();
        for (int i = 0; i < PAGES_AT_ONCE; i++) {
            Thread thread = new Thread(this::work, "render-" + i);
            thread.setDaemon(true);
            thread.start();
            threads.add(thread);
        }
    }

    /**
     * Makes sure that scripts can be run here.
     *
     * @throws Refusal where the machine lacks something
     */
    static void check() {
        chromium();
        node();
    }

    private static Path chromium() {
        return BROWSERS.stream()
                .flatMap(name -> onPath(name).stream())
                .findFirst()
                .orElseThrow(() -> missing("Chromium", "chromium"));
    }

    private static Path node() {
        return onPath("node").orElseThrow(() -> missing("Node.js", "nodejs"));
    }

    private static Refusal missing(String what, String debianPackage) {
        return Refusal.badInput("scripts of pages cannot be run here: this machine has no " + what
                + " (on Debian: apt-get install " + debianPackage + "); install it, or sweep without running scripts");
    }

    private static Optional<Path> onPath(String program) {
        return Stream.of(System.getenv().getOrDefault("PATH", "").split(":"))
                .map(folder -> Path.of(folder, program))
                .filter(Files::isExecutable)
                .findFirst();
    }

    /** The markup of a page after its scripts have run. Safe for many threads. */
    String html(URI address, Fetched page) throws NotRendered, InterruptedException {
        // A test of scripts that never end waits less long for them: each burns a core meanwhile.
        int longest = Integer.getInteger("lucid.script-seconds", 30);
        Work work = new Work(address, page);
        waiting.put(work);
        try {
            CompletableFuture.anyOf(work.begun, work.html).get();
            return work.html.get(longest, TimeUnit.SECONDS);
        } catch (TimeoutException e) {
            work.giveUp();
            throw new NotRendered("they did not end within " + longest + " s");
        } catch (ExecutionException e) {
            String message = String.valueOf(e.getCause().getMessage());
            throw new NotRendered(message.lines().findFirst().orElse("the browser failed"));
        }
    }

    private void work() {
        RenderingBrowser browser = null;
        try {
            while (!closed) {
                Work work = waiting.poll(200, TimeUnit.MILLISECONDS);
                if (work != null) browser = run(work, browser);
            }
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        } finally {
            close(browser);
        }
    }

    /** Builds a page; returns the browser for the next one. One that failed is not trusted with it: null then. */
    private RenderingBrowser run(Work work, RenderingBrowser known) {
        RenderingBrowser browser = known;
        try {
            if (!work.begin()) return browser;
            if (browser == null) browser = new RenderingBrowser(chromium, node, agent, sources);
            if (work.build(browser)) work.html.complete(browser.html(work.address, work.page));
            return browser;
        } catch (RuntimeException e) {
            work.html.completeExceptionally(e);
            work.end();
            close(browser);
            return null;
        } finally {
            // Whoever waits for it must not wait for ever, whatever came between.
            work.html.completeExceptionally(new IllegalStateException("the browser failed"));
            work.end();
        }
    }

    private static void close(RenderingBrowser browser) {
        try {
            if (browser != null) browser.close();
        } catch (PlaywrightException alreadyGone) {
            return;
        }
    }

    @Override
    public void close() {
        closed = true;
        try {
            for (Thread thread : threads) thread.join(TimeUnit.SECONDS.toMillis(20));
            IllegalStateException ended = new IllegalStateException("the sweep ended before its turn came");
            for (Work left : waiting) left.html.completeExceptionally(ended);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
