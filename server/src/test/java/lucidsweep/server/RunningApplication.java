package lucidsweep.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.standins.MailServer;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Starts the real application once for all tests, on a free port with an empty database, and hands out a client of its API, or its parts. */
public final class RunningApplication implements ParameterResolver {

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        Class<?> type = parameter.getParameter().getType();
        return type == Api.class || type == ApplicationContext.class || type == MailServer.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        Application application = Application.STARTED;
        Class<?> type = parameter.getParameter().getType();
        return type == Api.class ? application.api : type == MailServer.class ? application.mail : application.context;
    }

    private static final class Application {

        /** Lives as long as the process: Surefire runs every class of tests by itself, each with a store of JUnit's own. */
        private static final Application STARTED = new Application();

        private final MailServer mail = new MailServer();
        private final ApplicationContext context;
        private final Api api;

        private Application() {
            try {
                OwnApplication own = OwnApplication.on(
                        Files.createTempDirectory("lucid-test-"),
                        "--spring.mail.host=127.0.0.1",
                        "--spring.mail.port=" + mail.port());
                context = own.context();
                api = own.api().checked();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** What the server answered: status and body; the body as JSON where it is. */
    public record Reply(int status, String body, HttpResponse<String> response) {

        public JsonNode json() {
            return new JsonMapper().readTree(body);
        }

        public String problem() {
            return json().path("detail").asString("");
        }
    }

    /** A client of the API. */
    public static final class Api {
        private static final String DESCRIPTION = "/api/openapi.json";

        /** Where ./test has it from the build, since it takes seconds to make. */
        private static final String DESCRIBED = System.getProperty("lucid.described");

        private static final JsonMapper JSON = new JsonMapper();

        private final HttpClient http = HttpClient.newHttpClient();
        private final String base;
        private DescribedAnswers described;

        Api(int port) {
            base = "http://127.0.0.1:" + port;
        }

        /** From now on every answer must be as the API's description says. */
        private Api checked() {
            described = new DescribedAnswers(
                    DESCRIBED == null ? get(DESCRIPTION).json() : JSON.readTree(Path.of(DESCRIBED)));
            return this;
        }

        public String base() {
            return base;
        }

        public Reply get(String path) {
            return send(HttpRequest.newBuilder(URI.create(base + path)).build());
        }

        public byte[] bytes(String path) {
            return bytes(HttpRequest.newBuilder(URI.create(base + path)).build());
        }

        public byte[] postBytes(String path, String json) {
            return bytes(HttpRequest.newBuilder(URI.create(base + path))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(json))
                    .build());
        }

        private byte[] bytes(HttpRequest request) {
            try {
                return http.send(request, HttpResponse.BodyHandlers.ofByteArray())
                        .body();
            } catch (IOException | InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }

        public Reply post(String path, String json) {
            return method("POST", path, json);
        }

        public Reply method(String method, String path, String json) {
            return send(HttpRequest.newBuilder(URI.create(base + path))
                    .header("Content-Type", "application/json")
                    .method(method, HttpRequest.BodyPublishers.ofString(json))
                    .build());
        }

        public Reply upload(String path, String name, byte[] content) {
            byte[] head = ("--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name + "\"\r\n\r\n")
                    .getBytes(StandardCharsets.UTF_8);
            byte[] tail = "\r\n--b--\r\n".getBytes(StandardCharsets.UTF_8);
            return send(HttpRequest.newBuilder(URI.create(base + path))
                    .header("Content-Type", "multipart/form-data; boundary=b")
                    .POST(HttpRequest.BodyPublishers.concat(
                            HttpRequest.BodyPublishers.ofByteArray(head),
                            HttpRequest.BodyPublishers.ofByteArray(content),
                            HttpRequest.BodyPublishers.ofByteArray(tail)))
                    .build());
        }

        public Reply send(HttpRequest request) {
            try {
                HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
                Reply reply = new Reply(response.statusCode(), response.body(), response);
                check(request, reply);
                return reply;
            } catch (IOException | InterruptedException e) {
                throw new IllegalStateException(request.uri() + " does not answer", e);
            }
        }

        private void check(HttpRequest request, Reply reply) {
            String type = reply.response.headers().firstValue("content-type").orElse("");
            boolean file =
                    reply.response.headers().firstValue("content-disposition").isPresent();
            boolean description = request.uri().getPath().equals(DESCRIPTION);
            if (described == null || description || reply.status != 200 || file || !type.startsWith("application/json"))
                return;
            List<String> differences =
                    described.differences(request.method(), request.uri().getPath(), reply.json());
            if (!differences.isEmpty())
                throw new AssertionError(request.uri().getPath() + " is not as described: " + differences);
        }

        /** Waits until a job has ended and returns it. */
        public JsonNode ended(long jobId) {
            JsonNode job = get("/api/jobs/" + jobId).json();
            // Whoever asks a busy machine all the time keeps it busy.
            for (long pause = 10_000_000; job.path("state").asString().equals("running"); pause += pause / 4) {
                LockSupport.parkNanos(Math.min(pause, 150_000_000));
                job = get("/api/jobs/" + jobId).json();
            }
            return job;
        }

        /** Adds a client with one property and returns the property's id. */
        public long property(String kind, String address, boolean privateAllowed) {
            return property(kind, address, privateAllowed, "Gull Cove");
        }

        /** The same of a client that serves some places. */
        public long property(String kind, String address, boolean privateAllowed, String places) {
            long client = post(
                            "/api/clients",
                            "{\"name\":\"Tarrin Bay Kayaks\",\"brand\":\"\",\"places\":\"" + places + "\"}")
                    .json()
                    .path("id")
                    .asLong();
            Reply added = post(
                    "/api/properties",
                    JSON.writeValueAsString(java.util.Map.of(
                            "clientId",
                            client,
                            "kind",
                            kind,
                            "name",
                            "Test",
                            "address",
                            address,
                            "language",
                            "en",
                            "privateAllowed",
                            privateAllowed)));
            return added.json().path("id").asLong();
        }

        /** Sweeps a property to its end and returns the job. */
        public JsonNode sweep(long property) {
            Reply sweep = post(
                    "/api/properties/" + property + "/sweeps",
                    "{\"maxPages\":2000,\"maxDepth\":12,\"connections\":4,\"delayMs\":0}");
            return ended(sweep.json().path("jobId").asLong());
        }

        /** Imports a file of listings with the columns as guessed and returns the job. */
        public JsonNode importListings(long property, String csv) {
            JsonNode plan = upload(
                            "/api/properties/" + property + "/imports",
                            "listings.csv",
                            csv.getBytes(StandardCharsets.UTF_8))
                    .json();
            Reply applied = post("/api/imports/" + plan.path("token").asString() + "/apply", choice(plan));
            return ended(applied.json().path("jobId").asLong());
        }

        /** The columns of a plan as they were guessed. */
        public static String choice(JsonNode plan) {
            StringBuilder meanings = new StringBuilder();
            for (JsonNode column : plan.path("columns")) {
                meanings.append(meanings.length() == 0 ? "" : ",").append(column.path("meaning"));
            }
            return choice(meanings.toString());
        }

        /** Columns as they are said to be, such as {@code "ID","TITLE"}; texts that no column holds are left empty. */
        public static String choice(String meanings) {
            return "{\"meanings\":[" + meanings + "],\"leaveEmpty\":[\"TITLE\",\"DESCRIPTION\",\"TAGS\"]}";
        }

        public static String encoded(String text) {
            return URLEncoder.encode(text, StandardCharsets.UTF_8);
        }
    }
}
