package lucidsweep.bench;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A content system of listings {@code L0} to {@code Ln} that takes a few milliseconds for each answer. */
final class SlowContent implements AutoCloseable {

    static {
        System.setProperty("sun.net.httpserver.nodelay", "true");
    }

    private static final long ANSWER_NANOS = 5_000_000;
    private static final int AT_ONCE = 1_000;
    private static final Pattern TITLE = Pattern.compile("\"title\":\"([^\"]*)\"");

    private final int items;
    private final HttpServer server;
    private final ExecutorService threads = Executors.newFixedThreadPool(16);
    private final Map<String, String> titles = new ConcurrentHashMap<>();

    SlowContent(int items) throws IOException {
        this.items = items;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 100);
        server.setExecutor(threads);
        server.createContext("/", this::answer);
        server.start();
    }

    String address() {
        return "http://127.0.0.1:" + server.getAddress().getPort();
    }

    /** Forgets what was stored. */
    void reset() {
        titles.clear();
    }

    int stored() {
        return titles.size();
    }

    private void answer(HttpExchange exchange) throws IOException {
        String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        String path = exchange.getRequestURI().getPath();
        String id = path.substring(path.lastIndexOf('/') + 1);
        String answer;
        if (path.equals("/login")) answer = "{\"token\":\"t\"}";
        else if (path.equals("/listings"))
            answer = list(exchange.getRequestURI().getQuery());
        else {
            LockSupport.parkNanos(ANSWER_NANOS);
            if (exchange.getRequestMethod().equals("PUT")) {
                Matcher title = TITLE.matcher(body);
                if (title.find()) titles.put(id, title.group(1));
            }
            String title = titles.getOrDefault(id, "Paddle " + id);
            answer = "{\"id\":\"" + id + "\",\"version\":" + (titles.containsKey(id) ? 2 : 1)
                    + ",\"fields\":{\"title\":\"" + title + "\"}}";
        }
        byte[] bytes = answer.getBytes(StandardCharsets.UTF_8);
        exchange.sendResponseHeaders(200, bytes.length);
        exchange.getResponseBody().write(bytes);
        exchange.close();
    }

    private String list(String query) {
        int from = query == null ? 0 : Integer.parseInt(query.replaceAll("\\D", "")) + 1;
        StringBuilder list = new StringBuilder("{\"items\":[");
        int to = Math.min(items, from + AT_ONCE);
        for (int i = from; i < to; i++) {
            list.append(i == from ? "" : ",").append("{\"id\":\"L").append(i).append("\",\"address\":\"L");
            list.append(i).append("\"}");
        }
        return list.append("],\"more\":").append(to < items).append('}').toString();
    }

    @Override
    public void close() {
        server.stop(0);
        threads.shutdownNow();
    }
}
