package lucidsweep.bench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.locks.LockSupport;
import java.util.function.IntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.sql.DataSource;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** The application under measurement, asked over HTTP as the interface asks it. */
final class Api {

    private static final Pattern MEANING = Pattern.compile("\"meaning\":(\"[A-Z]+\"),\"sure\"");

    private final HttpClient http = HttpClient.newHttpClient();
    private final String base;
    private final JdbcTemplate database;

    Api(ConfigurableApplicationContext application) {
        database = new JdbcTemplate(application.getBean(DataSource.class));
        base = "http://127.0.0.1:" + application.getEnvironment().getProperty("local.server.port");
    }

    String get(String path) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path)));
    }

    /** Asks for several at once, as a screen does, and waits for all. */
    void getAll(List<String> paths) {
        List<CompletableFuture<HttpResponse<String>>> asked = paths.stream()
                .map(path -> http.sendAsync(
                        HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofString()))
                .toList();
        for (CompletableFuture<HttpResponse<String>> each : asked) {
            HttpResponse<String> answer = each.join();
            if (answer.statusCode() != 200) throw new IllegalStateException(answer.body());
        }
    }

    String post(String path, String body) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** The same, answered before it is known what follows of it. */
    String postAtOnce(String path, String body) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .header("Prefer", "wait=0")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    String put(String path, String body) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(base + path))
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** Adds a client with an empty shop and returns the shop's id. */
    long shop() throws IOException, InterruptedException {
        String client = post("/api/clients", "{\"name\":\"Tarrin Bay Kayaks\",\"brand\":\"\",\"places\":\"\"}");
        String added = post(
                "/api/properties",
                "{\"clientId\":" + find(client, "\"id\":(\\d+)")
                        + ",\"kind\":\"listings\",\"name\":\"Shop\",\"address\":\"\",\"language\":\"en\",\"privateAllowed\":true}");
        return Long.parseLong(find(added, "\"id\":(\\d+)"));
    }

    /** Uploads a file for a property; returns the request that imports it as it is understood. */
    Import upload(long property, Path file) throws IOException, InterruptedException {
        String plan = send(HttpRequest.newBuilder(URI.create(base + "/api/properties/" + property + "/imports"))
                .header("Content-Type", "multipart/form-data; boundary=b")
                .POST(HttpRequest.BodyPublishers.concat(
                        HttpRequest.BodyPublishers.ofString(
                                "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"x.csv\"\r\n\r\n"),
                        HttpRequest.BodyPublishers.ofFile(file),
                        HttpRequest.BodyPublishers.ofString("\r\n--b--\r\n"))));
        StringBuilder meanings = new StringBuilder();
        for (Matcher meaning = MEANING.matcher(plan); meaning.find(); )
            meanings.append(meanings.length() == 0 ? "" : ",").append(meaning.group(1));
        return new Import(find(plan, "\"token\":\"([^\"]+)\""), "{\"meanings\":[" + meanings + "]}");
    }

    /** A file that was uploaded, and what its columns hold. */
    record Import(String token, String meanings) {}

    /** Imports an uploaded file and waits for the end of that. */
    void apply(Import upload) throws IOException, InterruptedException {
        endJob(post("/api/imports/" + upload.token + "/apply", upload.meanings));
    }

    /** Waits for the job that an answer names; asks seldom, since answering takes time of what is measured. */
    void endJob(String answer) throws IOException, InterruptedException {
        String job = find(answer, "\"jobId\":(\\d+)");
        String state = get("/api/jobs/" + job);
        while (state.contains("\"state\":\"running\"")) {
            LockSupport.parkNanos(100_000_000);
            state = get("/api/jobs/" + job);
        }
        if (!state.contains("\"state\":\"done\"")) throw new IllegalStateException(state);
    }

    /** Waits until findings have followed all changes. */
    void awaitFindings() {
        String due = "select count(*) from property where judged_changes < text_changes";
        while (database.queryForObject(due, Integer.class) > 0) LockSupport.parkNanos(20_000_000);
    }

    private String send(HttpRequest.Builder request) throws IOException, InterruptedException {
        HttpResponse<String> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) throw new IllegalStateException(answer.uri() + ": " + answer.body());
        return answer.body();
    }

    static String find(String text, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        if (!matcher.find()) throw new IllegalStateException("expected " + pattern + " in " + text);
        return matcher.group(1);
    }

    /** Writes a file of rows to import. */
    static Path file(Path file, String head, int rows, IntFunction<String> row) throws IOException {
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write(head + "\n");
            for (int i = 0; i < rows; i++) out.write(row.apply(i) + "\n");
        }
        return file;
    }
}
