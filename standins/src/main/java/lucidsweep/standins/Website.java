package lucidsweep.standins;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiFunction;

/** Serves a website on loopback, with all that real servers do to a crawler. */
public final class Website implements AutoCloseable {

    static {
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private static final int HUGE = 6_000_000;
    private static final int ROWS_AT_ONCE = 5_000;
    private static final int MARKET_SEED = 7;

    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(8, task -> {
        Thread thread = new Thread(task, "website");
        thread.setDaemon(true);
        return thread;
    });
    private volatile NextSeason season;
    private final AtomicInteger flakyAsked = new AtomicInteger();
    private final LocalDate start;
    private volatile LocalDate today;
    private volatile Feed demand;
    private final TextService writer = new TextService();
    private final List<String> listings = new ShopListings(7).json();
    private final List<String> videos = new ChannelVideos(7).json();
    private final ContentSystem content;
    private final Feed marketplace = new Feed(() -> changed("listings", listings, "listing id"), Feed.FEW);
    private final Feed channel = new Feed(() -> changed("videos", videos, "video id"), Feed.FEW);

    private record Reply(int status, String type, byte[] body, Map<String, String> headers) {

        static Reply html(String body) {
            return new Reply(200, "text/html; charset=utf-8", body.getBytes(StandardCharsets.UTF_8), Map.of());
        }

        static Reply text(int status, String body) {
            return new Reply(status, "text/html; charset=utf-8", body.getBytes(StandardCharsets.UTF_8), Map.of());
        }

        static Reply redirect(int status, String to) {
            return new Reply(status, "text/html", new byte[0], Map.of("Location", to));
        }
    }

    private Website(int port, DemoSite site, LocalDate start, BiFunction<HttpExchange, String, Reply> replies)
            throws IOException {
        this.start = start;
        today = start;
        content = new ContentSystem(site, listings, videos, () -> today);
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 200);
        server.setExecutor(threads);
        server.createContext("/", exchange -> {
            try (exchange) {
                send(exchange, replies.apply(exchange, exchange.getRequestURI().getRawPath()));
            }
        });
        server.start();
    }

    /** Serves the demo client's website and its files; port 0 for any that is free. */
    public static Website ofDemo(DemoSite site, int port) throws IOException {
        return ofDemo(site, port, SearchReports.FIRST_TODAY);
    }

    /** The same, with a search engine whose time begins on a day. */
    public static Website ofDemo(DemoSite site, int port, LocalDate start) throws IOException {
        Website[] self = new Website[1];
        PageHtml html = new PageHtml(site.pages());
        self[0] = new Website(port, site, start, (exchange, path) -> self[0].demo(site, html, exchange, path));
        return self[0];
    }

    /** Serves a made-up site of so many pages, each linked from another. */
    public static Website ofSize(int pages, int port) throws IOException {
        LargeSite site = new LargeSite(pages);
        return new Website(port, new DemoSite(Map.of(), List.of()), SearchReports.FIRST_TODAY, (exchange, path) -> {
            String page = site.page(path);
            return page == null ? Reply.text(404, "<title>Not found</title>") : Reply.html(page);
        });
    }

    /** Where it starts. */
    public URI address() {
        return URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/");
    }

    /** The system in which the client's people write. */
    public ContentSystem content() {
        return content;
    }

    private List<String> changed(String kind, List<String> lines, String idName) {
        return content.on(kind, lines, idName);
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    private Reply demo(DemoSite site, PageHtml html, HttpExchange exchange, String path) {
        if (path.equals("/next-season") && exchange.getRequestMethod().equals("POST")) {
            season = new NextSeason(site);
            return Reply.text(200, "<title>A new season has begun</title>");
        }
        NextSeason changed = season;
        if (changed != null && changed.isGone(path)) return Reply.text(404, "<title>Not found</title>");
        if (changed != null && changed.movedTo(path) != null) return Reply.redirect(301, changed.movedTo(path));
        String query = exchange.getRequestURI().getRawQuery();
        SitePage page =
                site.pages().getOrDefault(path + "?" + query, site.pages().get(path));
        if (page != null) {
            String written = html.of(content.on(page));
            String text = changed == null || content.isChanged(page) ? written : changed.html(path, written);
            byte[] body = text.getBytes(StandardCharsets.UTF_8);
            Map<String, String> headers =
                    page.robotsHeader.isEmpty() ? Map.of() : Map.of("X-Robots-Tag", page.robotsHeader);
            return new Reply(200, "text/html; charset=utf-8", body, headers);
        }
        if (path.startsWith("/calendar/")) return calendar(path);
        if (path.equals("/files/pages-july.csv")) return csv(LastSummer.pages(site, address()));
        if (path.equals("/files/results.csv")) return csv(ResultLists.csv(world(site), address(), today));
        if (path.startsWith("/files/")) return file(path);
        if (path.equals("/search/clock") && exchange.getRequestMethod().equals("POST")) {
            today = today.plusDays(
                    Long.parseLong(exchange.getRequestURI().getQuery().replace("days=", "")));
            demand = null;
            return Reply.text(200, "<title>It is " + today + "</title>");
        }
        if (path.equals("/search/truth")) {
            return json(new Feed.Answer(200, Map.of(), SearchReports.truthJson(market(site))));
        }
        if (path.equals("/search/changed")) {
            return json(new Feed.Answer(200, Map.of(), SearchReports.changedJson(world(site), today)));
        }
        if (path.equals("/search/demand")) return feed(demand(site), exchange, path);
        if (path.equals("/writer/generate") && exchange.getRequestMethod().equals("POST")) return writer(exchange);
        if (path.equals("/writer/paid")) return Reply.text(200, String.valueOf(writer.paid()));
        if (path.startsWith("/content/")) return content(exchange, path);
        if (path.equals("/marketplace/listings")) return feed(marketplace, exchange, path);
        if (path.equals("/channel/videos")) return feed(channel, exchange, path);
        return special(site, path);
    }

    /** What the stand-in search engine reports today; made when it is first asked for. */
    private synchronized Feed demand(DemoSite site) {
        if (demand == null) {
            demand = new Feed(SearchReports.rows(world(site), address(), today), ROWS_AT_ONCE);
        }
        return demand;
    }

    private SearchWorld world(DemoSite site) {
        return new SearchWorld(market(site), site, Searchers.OF_DEMO, content, start);
    }

    private static SearchMarket market(DemoSite site) {
        return SearchMarket.of(site, MARKET_SEED, Searchers.OF_DEMO);
    }

    private Reply special(DemoSite site, String path) {
        return switch (path) {
            case "/robots.txt" ->
                new Reply(
                        200,
                        "text/plain",
                        ("User-agent: *\nDisallow: /private/\nSitemap: " + address() + "sitemap.xml\n")
                                .getBytes(StandardCharsets.UTF_8),
                        Map.of());
            case "/sitemap.xml" -> xml(Sitemap.index(address()));
            case "/sitemap-pages.xml" -> xml(Sitemap.pages(site, address(), false));
            case "/sitemap-journal.xml" -> xml(Sitemap.pages(site, address(), true));
            case "/old-home" -> Reply.redirect(301, "/");
            case "/moved-once" -> Reply.redirect(301, "/moved-twice");
            case "/moved-twice" -> Reply.redirect(302, "/moved-again");
            case "/moved-again" -> Reply.redirect(308, "/tours/");
            case "/loop-a" -> Reply.redirect(302, "/loop-b");
            case "/loop-b" -> Reply.redirect(302, "/loop-a");
            case "/closed-branch" -> Reply.text(410, "<title>Gone</title><h1>This branch has closed</h1>");
            case "/flaky" ->
                flakyAsked.getAndIncrement() % 2 == 0
                        ? Reply.text(500, "<title>Oops</title>")
                        : plain("Weather station", "How our weather station on the slip works");
            case "/slow" -> slow();
            case "/latin" ->
                new Reply(
                        200,
                        "text/html; charset=ISO-8859-1",
                        body("Café by the slip", "Café by the slip: crêpes, soup and hot chocolate", "")
                                .getBytes(StandardCharsets.ISO_8859_1),
                        Map.of());
            case "/empty" -> Reply.html("");
            case "/log-book" ->
                plain(
                        "Log book",
                        "The log book: every trip since 1987",
                        "<p>Wind south-west, four boats out, all back.</p>\n".repeat(HUGE / 52));
            case "/prices.pdf" ->
                new Reply(200, "application/pdf", "%PDF-1.4\n%made up\n".getBytes(StandardCharsets.US_ASCII), Map.of());
            case "/boat.svg" ->
                new Reply(
                        200,
                        "image/svg+xml",
                        "<svg xmlns=\"http://www.w3.org/2000/svg\"/>".getBytes(StandardCharsets.US_ASCII),
                        Map.of());
            default -> Reply.text(404, "<title>Not found</title><h1>There is nothing here</h1>");
        };
    }

    private static Reply calendar(String path) {
        String[] parts = path.split("/");
        int month = Integer.parseInt(parts[2]) * 12 + Integer.parseInt(parts[3]) - 1;
        String name = "%02d/%d".formatted(month % 12 + 1, month / 12);
        String next = "/calendar/" + (month + 1) / 12 + "/" + ((month + 1) % 12 + 1) + "/";
        return plain(
                "Tides in " + name,
                "Tide calendar of Tarrin Bay for " + name,
                "<p>" + PageHtml.link(next, "Next month") + "</p>");
    }

    private static Reply slow() {
        try {
            Thread.sleep(800);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return plain("Panorama", "Panorama of the bay from the boat shed roof");
    }

    private static Reply file(String path) {
        return switch (path) {
            case "/files/listings.csv" -> csv(new ShopListings(7).csv());
            case "/files/listings-july.csv" -> csv(LastSummer.listings());
            case "/files/keywords.csv" -> csv(new KeywordFile(7).csv());
            case "/files/shop-keywords.csv" -> csv(ShopSearches.keywords());
            case "/files/shop-demand.csv" -> csv(ShopSearches.demand());
            case "/files/video-keywords.csv" -> csv(ShopSearches.videoKeywords());
            default -> Reply.text(404, "<title>Not found</title>");
        };
    }

    private static Reply feed(Feed feed, HttpExchange exchange, String path) {
        return json(feed.of(path, exchange.getRequestURI().getRawQuery()));
    }

    private Reply writer(HttpExchange exchange) {
        return json(writer.of(
                body(exchange),
                exchange.getRequestHeaders().getFirst("Authorization"),
                exchange.getRequestHeaders().getFirst("Idempotency-Key")));
    }

    private Reply content(HttpExchange exchange, String path) {
        return json(content.of(
                exchange.getRequestMethod(),
                path,
                exchange.getRequestURI().getRawQuery(),
                body(exchange),
                exchange.getRequestHeaders().getFirst("Authorization")));
    }

    private static String body(HttpExchange exchange) {
        try {
            return new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Reply json(Feed.Answer answer) {
        return new Reply(
                answer.status(), "application/json", answer.body().getBytes(StandardCharsets.UTF_8), answer.headers());
    }

    private static Reply csv(String body) {
        return new Reply(200, "text/csv; charset=utf-8", body.getBytes(StandardCharsets.UTF_8), Map.of());
    }

    private static Reply xml(String body) {
        return new Reply(200, "application/xml", body.getBytes(StandardCharsets.UTF_8), Map.of());
    }

    private static Reply plain(String h1, String title) {
        return plain(h1, title, "");
    }

    private static Reply plain(String h1, String title, String more) {
        return Reply.html(body(h1, title, more));
    }

    private static String body(String h1, String title, String more) {
        return "<!doctype html><html lang=\"en-GB\"><head><title>" + title
                + "</title><meta name=\"description\" content=\""
                + title + ", from the office at Fennick harbour.\"></head><body><h1>" + h1 + "</h1>" + more
                + "<p>" + PageHtml.link("/", "Back to the start") + "</p></body></html>";
    }

    private static void send(HttpExchange exchange, Reply reply) throws IOException {
        if (reply.status == 0) return;
        exchange.getResponseHeaders().set("Content-Type", reply.type);
        reply.headers.forEach((name, value) -> exchange.getResponseHeaders().set(name, value));
        boolean empty = reply.body.length == 0 || exchange.getRequestMethod().equals("HEAD");
        exchange.sendResponseHeaders(reply.status, empty ? -1 : reply.body.length);
        if (empty) return;
        try (OutputStream out = exchange.getResponseBody()) {
            out.write(reply.body);
        }
    }
}
