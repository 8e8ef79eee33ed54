package lucidsweep.server.gather.crawl;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Dialog;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Request;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.TimeoutError;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import com.microsoft.playwright.options.WaitUntilState;
import java.net.URI;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** One browser, for one thread. */
final class RenderingBrowser implements AutoCloseable {

    private static final double LOADED_WITHIN_MS = 10_000;
    private static final double QUIET_WITHIN_MS = 2_000;
    private static final int MAX_REQUESTS = 200;
    private static final int LONGEST_HTML = 5_000_000;

    /** What the browser asks for goes nowhere but through us: every connection of its own leads to a closed port. */
    private static final List<String> FLAGS = List.of(
            "--headless",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            "--force-webrtc-ip-handling-policy=disable_non_proxied_udp",
            "--proxy-server=http://127.0.0.1:9",
            "--proxy-bypass-list=<-loopback>");

    private static final Object ONE_AT_A_TIME = new Object();

    private final Playwright playwright;
    private final ProcessHandle driver;
    private final Browser browser;
    private final Agent agent;
    private final ScriptSources sources;

    RenderingBrowser(Path chromium, Path node, Agent agent, ScriptSources sources) {
        this.agent = agent;
        this.sources = sources;
        synchronized (ONE_AT_A_TIME) {
            Set<ProcessHandle> others = ProcessHandle.current().children().collect(Collectors.toSet());
            playwright = Playwright.create(new Playwright.CreateOptions()
                    .setEnv(Map.of(
                            "PLAYWRIGHT_NODEJS_PATH", node.toString(), "PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
            driver = ProcessHandle.current()
                    .children()
                    .filter(child -> !others.contains(child))
                    .findFirst()
                    .orElse(null);
        }
        try {
            browser = playwright
                    .chromium()
                    .launch(new BrowserType.LaunchOptions()
                            .setExecutablePath(chromium)
                            // The sandbox cannot be had as root.
                            .setChromiumSandbox(!System.getProperty("user.name").equals("root"))
                            .setArgs(FLAGS));
        } catch (RuntimeException e) {
            playwright.close();
            throw e;
        }
    }

    /** The markup of a page after its scripts have run; of a page that is never at rest, as it is after a while. */
    String html(URI address, Fetched fetched) {
        try (BrowserContext context = browser.newContext(new Browser.NewContextOptions()
                .setUserAgent(agent.header())
                .setAcceptDownloads(false)
                .setServiceWorkers(ServiceWorkerPolicy.BLOCK))) {
            Page page = context.newPage();
            int[] requests = {0};
            page.onDialog(Dialog::dismiss);
            context.route("**/*", route -> {
                if (requests[0]++ < MAX_REQUESTS) answer(route, page, address, fetched);
                else route.abort();
            });
            context.onPage(popup -> {
                if (popup != page) popup.close();
            });
            page.navigate(
                    address.toString(),
                    new Page.NavigateOptions()
                            .setTimeout(LOADED_WITHIN_MS)
                            .setWaitUntil(WaitUntilState.DOMCONTENTLOADED));
            try {
                page.waitForLoadState(
                        LoadState.NETWORKIDLE, new Page.WaitForLoadStateOptions().setTimeout(QUIET_WITHIN_MS));
            } catch (TimeoutError neverAtRest) {
                return clipped(page.content());
            }
            return clipped(page.content());
        }
    }

    private static String clipped(String html) {
        return html.length() <= LONGEST_HTML ? html : html.substring(0, LONGEST_HTML);
    }

    private void answer(Route route, Page page, URI address, Fetched fetched) {
        Request request = route.request();
        if (request.isNavigationRequest()) {
            boolean thePage = request.frame() == page.mainFrame() && page.url().equals("about:blank");
            // An answer without content leaves the page where it is; a refusal would put an error in its place.
            if (thePage) fulfill(route, fetched);
            else route.fulfill(new Route.FulfillOptions().setStatus(204));
            return;
        }
        if (request.resourceType().equals("stylesheet")) {
            // Scripts may wait for a stylesheet; how a page looks says nothing of its texts.
            route.fulfill(new Route.FulfillOptions().setStatus(200).setContentType("text/css"));
            return;
        }
        boolean asked = List.of("script", "xhr", "fetch").contains(request.resourceType())
                && request.method().equals("GET");
        Optional<Fetched> source = asked ? sources.get(address, request.url()) : Optional.empty();
        if (source.isPresent()) fulfill(route, source.get());
        else route.abort();
    }

    private static void fulfill(Route route, Fetched answer) {
        String type = answer.contentType().isEmpty() ? "text/html" : answer.contentType();
        route.fulfill(new Route.FulfillOptions()
                .setStatus(answer.status())
                .setHeaders(Map.of(
                        "content-type",
                        answer.charset() == null ? type : type + "; charset=" + answer.charset(),
                        "access-control-allow-origin",
                        "*"))
                .setBodyBytes(answer.body()));
    }

    /**
     * Ends it at once, from any thread: a script that never ends would keep it, and a core, busy until then. Whoever waits for
     * it gets an exception.
     */
    void kill() {
        if (driver == null) return;
        driver.descendants().forEach(ProcessHandle::destroyForcibly);
        driver.destroyForcibly();
    }

    @Override
    public void close() {
        playwright.close();
    }
}
