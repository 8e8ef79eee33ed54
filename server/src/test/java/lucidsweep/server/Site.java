package lucidsweep.server;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;

/** A small website on loopback whose pages come, change and go while it runs, and that notes what is asked of it. */
public final class Site implements AutoCloseable {

    static {
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private final HttpServer server;
    private final ExecutorService threads = Executors.newCachedThreadPool();
    private final Map<String, Answer> answers = new ConcurrentHashMap<>();
    private final List<Request> requests = new CopyOnWriteArrayList<>();
    private final AtomicInteger underWay = new AtomicInteger();
    private final AtomicInteger maxAtOnce = new AtomicInteger();

    /** Writes what is answered to a request; whatever it throws breaks the connection off. */
    @FunctionalInterface
    public interface Answer {
        void write(HttpExchange exchange) throws IOException;
    }

    /** A request and when it came, in ns. */
    public record Request(String path, long nanos) {}

    public Site() {
        try {
            server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 50);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        server.setExecutor(threads);
        server.createContext("/", this::handle);
        server.start();
    }

    /** Where it is, with "/" at the end. */
    public String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort() + "/";
    }

    public Site html(String path, String html) {
        return answer(path, 200, "text/html; charset=utf-8", html.getBytes(StandardCharsets.UTF_8));
    }

    /** A page with a title and links. */
    public Site page(String path, String title, String... links) {
        StringBuilder html = new StringBuilder("<title>" + title + "</title><h1>" + title + "</h1>");
        for (String link : links)
            html.append("<a href='").append(link).append("'>to ").append(link).append("</a> ");
        return html(path, html.toString());
    }

    /** An answer with headers, given as name and value in turn. */
    public Site answer(String path, int status, String type, byte[] body, String... headers) {
        return answer(path, exchange -> {
            exchange.getResponseHeaders().set("Content-Type", type);
            for (int i = 0; i < headers.length; i += 2)
                exchange.getResponseHeaders().add(headers[i], headers[i + 1]);
            exchange.sendResponseHeaders(status, body.length == 0 ? -1 : body.length);
            exchange.getResponseBody().write(body);
        });
    }

    public Site answer(String path, Answer answer) {
        answers.put(path, answer);
        return this;
    }

    public Site redirect(String path, String to) {
        return answer(path, 301, "text/plain", new byte[0], "Location", to);
    }

    public Site remove(String path) {
        answers.remove(path);
        return this;
    }

    /** What was asked, in its order, but for robots.txt and the sitemap. */
    public List<Request> requests() {
        return requests.stream()
                .filter(request ->
                        !request.path().equals("/robots.txt") && !request.path().equals("/sitemap.xml"))
                .toList();
    }

    public int maxAtOnce() {
        return maxAtOnce.get();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }

    private void handle(HttpExchange exchange) throws IOException {
        requests.add(new Request(exchange.getRequestURI().toString(), System.nanoTime()));
        maxAtOnce.accumulateAndGet(underWay.incrementAndGet(), Math::max);
        try (exchange) {
            Answer answer = answers.get(exchange.getRequestURI().toString());
            if (answer == null) exchange.sendResponseHeaders(404, -1);
            else answer.write(exchange);
        } finally {
            underWay.decrementAndGet();
        }
    }
}
