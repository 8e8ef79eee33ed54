package lucidsweep.server.outside;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.web.Refusal;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class PatientClientTest {

    private final Deque<Integer> statuses = new ArrayDeque<>();
    private final AtomicInteger asked = new AtomicInteger();
    private final PatientClient client = new PatientClient(new AddressGuard(true), Duration.ofMillis(700));
    private HttpServer server;

    @BeforeEach
    void serve() throws IOException {
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        server.setExecutor(Executors.newCachedThreadPool());
        server.createContext("/", this::answer);
        server.start();
    }

    @AfterEach
    void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        asked.incrementAndGet();
        int status = statuses.size() > 1 ? statuses.poll() : statuses.peek();
        if (status == 0) {
            exchange.close();
            return;
        }
        if (status == 429) exchange.getResponseHeaders().set("Retry-After", "1");
        byte[] body = ("said " + status).getBytes(StandardCharsets.UTF_8);
        exchange.sendResponseHeaders(status, body.length);
        exchange.getResponseBody().write(body);
        exchange.close();
    }

    /** The client of the JDK itself asks again for what is only read. */
    private HttpRequest.Builder request() {
        return HttpRequest.newBuilder(
                        URI.create("http://127.0.0.1:" + server.getAddress().getPort() + "/"))
                .POST(HttpRequest.BodyPublishers.noBody());
    }

    private static String read(int status, String text) {
        return status + " " + text;
    }

    @Test
    void faultsAndSilencesAreAskedAgainAndARestIsKept() throws Exception {
        statuses.addAll(List.of(500, 0, 429, 200));
        long start = System.currentTimeMillis();
        PatientClient.Answer<String> answer = client.ask(request(), PatientClientTest::read, () -> false);
        assertThat(answer.content()).isEqualTo("200 said 200");
        assertThat(answer.retried()).as("a rest is no fault").isEqualTo(2);
        assertThat(System.currentTimeMillis() - start).isGreaterThan(2_000);
    }

    @Test
    void whatMayHaveBeenDoneIsAskedOnce() throws Exception {
        statuses.addAll(List.of(500, 200));
        assertThatThrownBy(() -> client.askOnce(request(), PatientClientTest::read, () -> false))
                .isInstanceOf(PatientClient.NoAnswer.class)
                .hasMessage("the service answers 500");
        assertThat(asked).hasValue(1);
        statuses.clear();
        statuses.addAll(List.of(429, 409));
        assertThat(client.askOnce(request(), PatientClientTest::read, () -> false))
                .as("a rest says that nothing was done")
                .isEqualTo("409 said 409");
    }

    @Test
    void anAnswerWithoutSenseIsNamedAndNobodyIsWaitedForThatHasGone() {
        statuses.add(200);
        assertThatThrownBy(() -> client.askOnce(
                        request(),
                        (status, text) -> {
                            throw new PatientClient.NoSense("answers in riddles");
                        },
                        () -> false))
                .hasMessage("the service answers in riddles");
        assertThatThrownBy(() -> client.ask(request(), PatientClientTest::read, () -> true))
                .hasMessage("stopped");
        assertThat(asked).hasValue(1);
    }

    @Test
    void privateAddressesAreNotAskedUnlessAllowed() {
        PatientClient careful = new PatientClient(new AddressGuard(false), Duration.ofSeconds(1));
        assertThatThrownBy(() -> careful.ask(request(), PatientClientTest::read, () -> false))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("127.0.0.1")
                .hasMessageContaining("for the service");
        assertThat(asked).hasValue(0);
    }
}
