package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.Feed;
import lucidsweep.standins.TextService;
import tools.jackson.databind.json.JsonMapper;

/** The stand-in service on a port of its own, and how often each request was answered. */
final class TextServer implements AutoCloseable {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final TextService texts = new TextService();
    private final Map<String, AtomicInteger> answered = new ConcurrentHashMap<>();
    private final HttpServer server;
    private volatile Feed.Answer instead;

    TextServer() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 100);
        server.setExecutor(Executors.newFixedThreadPool(8));
        server.createContext("/", exchange -> {
            String body = new String(exchange.getRequestBody().readAllBytes(), UTF_8);
            Feed.Answer answer = instead != null
                    ? instead
                    : texts.of(
                            body,
                            exchange.getRequestHeaders().getFirst("Authorization"),
                            exchange.getRequestHeaders().getFirst("Idempotency-Key"));
            if (answer.status() == 200)
                answered.computeIfAbsent(body, any -> new AtomicInteger()).incrementAndGet();
            answer.headers().forEach(exchange.getResponseHeaders()::set);
            byte[] bytes = answer.body().getBytes(UTF_8);
            exchange.sendResponseHeaders(answer.status(), bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        server.start();
    }

    void setUp(Api api, String model, String key) {
        Reply saved = api.method(
                "PUT",
                "/api/writer/service",
                JSON.writeValueAsString(Map.of(
                        "address",
                        "http://127.0.0.1:" + server.getAddress().getPort() + "/generate",
                        "model",
                        model,
                        "key",
                        key,
                        "hasKey",
                        false,
                        "privateAllowed",
                        true,
                        "parallel",
                        6,
                        "inputPrice",
                        1_000,
                        "outputPrice",
                        4_000,
                        "currency",
                        "GBP")));
        assertThat(saved.status()).as(saved.body()).isEqualTo(200);
        assertThat(saved.body()).doesNotContain(TextService.KEY);
    }

    @Override
    public void close() {
        server.stop(0);
    }

    /** How many answers were charged. */
    int paid() {
        return texts.paid();
    }

    /** How often each request was answered. */
    Map<String, AtomicInteger> answered() {
        return answered;
    }

    /** Answers so from now on, whatever is asked. */
    void answerWith(Feed.Answer answer) {
        instead = answer;
    }
}
