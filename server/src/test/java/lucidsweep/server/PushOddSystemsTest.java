package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Content systems that mix things up: nothing is written where it does not belong, and nothing is lost. */
@ExtendWith(RunningApplication.class)
class PushOddSystemsTest {

    private static final String CSV = "id,title\nA1,Ash paddle\nA2,Oak paddle\nA3,Birch tray\n";

    private final Map<String, String> titles =
            new ConcurrentHashMap<>(Map.of("A1", "Ash paddle", "A2", "Oak paddle", "A3", "Birch tray"));
    private final AtomicInteger requests = new AtomicInteger();
    private volatile Oddity oddity = Oddity.NONE;
    private HttpServer server;
    private Api api;
    private Shop shop;
    private long release;

    private enum Oddity {
        NONE,
        ANOTHER_ITEM,
        SAME_LIST_FOR_EVER,
        LOGIN_RUNS_OUT,
        LOGIN_REFUSED_HALF_WAY,
        CHANGED_WHILE_STORED,
        STORED_AND_NEVER_HEARD_OF,
        NOTHING
    }

    @BeforeEach
    void releaseThreeTitles(Api api) throws IOException {
        this.api = api;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 20);
        server.setExecutor(Executors.newCachedThreadPool());
        server.createContext("/", this::answer);
        server.start();
        shop = new Shop(api, CSV);
        String settings =
                PushTest.settings("http://127.0.0.1:" + server.getAddress().getPort(), "editor", "x");
        assertThat(shop.put("/content-system", settings.replace("\"parallel\":4", "\"parallel\":1"))
                        .status())
                .isEqualTo(200);
        shop.batch(Shop.edit("after", "title", "\"with\":\", signed\""));
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        release = shop.post("/pushes", "{}").json().path("release").path("id").asLong();
    }

    private void setUp(int parallel) {
        String settings =
                PushTest.settings("http://127.0.0.1:" + server.getAddress().getPort(), "editor", "x");
        assertThat(shop.put("/content-system", settings.replace("\"parallel\":4", "\"parallel\":" + parallel))
                        .status())
                .isEqualTo(200);
    }

    @AfterEach
    void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        String body = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
        String path = exchange.getRequestURI().getPath();
        int count = requests.incrementAndGet();
        String id = path.substring(path.lastIndexOf('/') + 1);
        boolean worn = "Bearer worn".equals(exchange.getRequestHeaders().getFirst("Authorization"));
        if (path.equals("/login")) {
            boolean again = count > 1;
            if (oddity == Oddity.LOGIN_REFUSED_HALF_WAY && again) reply(exchange, 401, "{}");
            else reply(exchange, 200, "{\"token\":\"" + (again ? "fresh" : "worn") + "\"}");
        } else if (worn && count > 3 && (oddity == Oddity.LOGIN_RUNS_OUT || oddity == Oddity.LOGIN_REFUSED_HALF_WAY)) {
            reply(exchange, 401, "{\"error\":\"this login has run out\"}");
        } else if (path.equals("/listings")) {
            String items = titles.keySet().stream()
                    .sorted()
                    .map(each -> "{\"id\":\"" + each + "\",\"address\":\"" + each + "\"}")
                    .collect(Collectors.joining(","));
            reply(exchange, 200, "{\"items\":[" + items + "],\"more\":" + (oddity == Oddity.SAME_LIST_FOR_EVER) + "}");
        } else if (exchange.getRequestMethod().equals("GET")) {
            if (oddity == Oddity.NOTHING) reply(exchange, 200, "");
            else reply(exchange, 200, item(oddity == Oddity.ANOTHER_ITEM || isLost(id) ? "A3" : id));
        } else if (oddity == Oddity.CHANGED_WHILE_STORED && id.equals("A2")) {
            titles.put("A2", "By the client");
            reply(exchange, 409, "{\"error\":\"somebody was faster\"}");
        } else if (oddity == Oddity.STORED_AND_NEVER_HEARD_OF && id.equals("A1")) {
            titles.put(id, "Ash paddle, signed");
            exchange.close();
        } else {
            titles.put(id, body.replaceAll(".*\"title\":\"([^\"]*)\".*", "$1"));
            reply(exchange, 200, "{}");
        }
    }

    /** Whether the item was stored, and cannot be read since. */
    private boolean isLost(String id) {
        return oddity == Oddity.STORED_AND_NEVER_HEARD_OF
                && id.equals("A1")
                && titles.get(id).endsWith("signed");
    }

    private String item(String id) {
        return "{\"id\":\"" + id + "\",\"version\":7,\"fields\":{\"title\":\"" + titles.get(id) + "\"}}";
    }

    private static void reply(HttpExchange exchange, int status, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
        if (bytes.length > 0) exchange.getResponseBody().write(bytes);
        exchange.close();
    }

    private JsonNode push(Oddity with) {
        oddity = with;
        requests.set(0);
        JsonNode run = api.post("/api/pushes/" + release + "/runs", "{}").json();
        return api.ended(run.path("jobId").asLong());
    }

    private Map<String, Integer> texts() {
        Map<String, Integer> counts = new TreeMap<>();
        shop.get("/pushes")
                .json()
                .path(0)
                .path("texts")
                .properties()
                .forEach(count -> counts.put(count.getKey(), count.getValue().asInt()));
        return counts;
    }

    private void comesToItsEnd() {
        api.post("/api/pushes/" + release + "/decisions", "{\"wish\":\"AGAIN\"}");
        if (texts().containsKey("waiting")) push(Oddity.NONE);
        assertThat(texts()).isEqualTo(Map.of("pushed", 3));
        assertThat(titles).containsEntry("A1", "Ash paddle, signed").containsEntry("A3", "Birch tray, signed");
    }

    @Test
    void anotherItemThanWasAskedForIsNotOverwritten() {
        push(Oddity.ANOTHER_ITEM);
        assertThat(texts()).isEqualTo(Map.of("failed", 2, "pushed", 1));
        assertThat(api.get("/api/pushes/" + release + "/lines?state=failed").body())
                .contains("answers with another item than was asked for");
        assertThat(titles).containsEntry("A1", "Ash paddle").containsEntry("A2", "Oak paddle");
        comesToItsEnd();
    }

    @Test
    void aListWithoutAnEndIsSaid() {
        JsonNode job = push(Oddity.SAME_LIST_FOR_EVER);
        assertThat(job.path("state").asString()).isEqualTo("failed");
        assertThat(job.path("note").asString()).isEqualTo("the content system tells the same items over and over");
        comesToItsEnd();
    }

    @Test
    void aLoginThatRunsOutIsRenewedAndOneThatIsRefusedEndsThePush() {
        JsonNode refused = push(Oddity.LOGIN_REFUSED_HALF_WAY);
        assertThat(refused.path("note").asString()).isEqualTo("the content system refuses the login (401)");
        assertThat(texts().keySet()).as("nothing is lost").isSubsetOf("waiting", "sending", "pushed");
        JsonNode renewed = push(Oddity.LOGIN_RUNS_OUT);
        assertThat(renewed.path("state").asString()).as(renewed.toString()).isEqualTo("done");
        comesToItsEnd();
    }

    @Test
    void whoeverIsFasterIsNotOverwritten() {
        push(Oddity.CHANGED_WHILE_STORED);
        assertThat(texts()).isEqualTo(Map.of("changed", 1, "pushed", 2));
        assertThat(titles).containsEntry("A2", "By the client");
        assertThat(shop.row("A2").path("title").path("state").asString()).isEqualTo("released");
    }

    @Test
    void whatAnswersNothingIsTriedAndSaid() {
        // All of them are waited for at once.
        setUp(3);
        push(Oddity.NOTHING);
        assertThat(texts()).isEqualTo(Map.of("failed", 3));
        assertThat(api.get("/api/pushes/" + release + "/lines?state=failed").body())
                .contains("the service answers nothing, tried 5 times");
        comesToItsEnd();
    }

    @Test
    void whatWasStoredAndNeverHeardOfCountsAsPushedAndIsTakenBack() {
        push(Oddity.STORED_AND_NEVER_HEARD_OF);
        assertThat(texts()).isEqualTo(Map.of("failed", 1, "pushed", 2));
        comesToItsEnd();
        JsonNode back = api.post("/api/pushes/" + release + "/return", "{}").json();
        assertThat(api.ended(back.path("jobId").asLong()).path("note").asString())
                .isEqualTo("3 taken back.");
        assertThat(titles).containsEntry("A1", "Ash paddle").containsEntry("A2", "Oak paddle");
    }

    @Test
    void aSystemThatGivesNoAnswersAnyMoreEndsThePushAndTheRestWaits() {
        StringBuilder csv = new StringBuilder("id,title\n");
        for (int i = 10; i < 25; i++) {
            titles.put("B" + i, "Paddle " + i);
            csv.append("B").append(i).append(",Paddle ").append(i).append('\n');
        }
        shop = new Shop(api, csv.toString());
        setUp(1);
        shop.batch(Shop.edit("after", "title", "\"with\":\", signed\""));
        shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        release = shop.post("/pushes", "{}").json().path("release").path("id").asLong();
        JsonNode job = push(Oddity.ANOTHER_ITEM);
        assertThat(job.path("state").asString()).isEqualTo("failed");
        assertThat(job.path("note").asString())
                .isEqualTo("The content system gives no answers any more. 12 failed; 3 texts wait.");
        assertThat(texts()).isEqualTo(Map.of("failed", 12, "waiting", 3));
    }
}
