package lucidsweep.server.command;

import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import lucidsweep.server.startup.AddressFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The application that runs on a data folder, asked over its API; what it refuses ends a command as one line. */
final class RunningApi {

    private final String address;
    private final HttpClient http = HttpClient.newHttpClient();

    private RunningApi(String address) {
        this.address = address;
    }

    /** @throws Unusable where none runs on the folder */
    static RunningApi on(Path folder) throws IOException {
        return new RunningApi(address(folder)
                .orElseThrow(() -> new Unusable("no Lucid Sweep is running on " + folder + "; start it first")));
    }

    /** Where the application that uses a folder answers; empty where none does. */
    static Optional<String> address(Path folder) throws IOException {
        Path file = AddressFile.in(folder);
        return Files.exists(file) ? Optional.of(Files.readString(file)) : Optional.empty();
    }

    JsonNode get(String path) throws IOException, InterruptedException {
        return json(HttpRequest.newBuilder(URI.create(address + path)));
    }

    JsonNode post(String path, Object body) throws IOException, InterruptedException {
        return json(posted(address + path, body));
    }

    /** Sends a file as a form. */
    JsonNode upload(String path, Path file) throws IOException, InterruptedException {
        String boundary = "file-" + UUID.randomUUID();
        HttpRequest.BodyPublisher body = HttpRequest.BodyPublishers.concat(
                HttpRequest.BodyPublishers.ofString("--" + boundary
                        + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + file.getFileName()
                        + "\"\r\nContent-Type: application/octet-stream\r\n\r\n"),
                HttpRequest.BodyPublishers.ofFile(file),
                HttpRequest.BodyPublishers.ofString("\r\n--" + boundary + "--\r\n"));
        return json(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(body));
    }

    private static HttpRequest.Builder posted(String address, Object body) {
        return HttpRequest.newBuilder(URI.create(address))
                .header("Content-Type", "application/json")
                .POST(HttpRequest.BodyPublishers.ofString(JsonMapper.shared().writeValueAsString(body)));
    }

    private JsonNode json(HttpRequest.Builder request) throws IOException, InterruptedException {
        try (InputStream answer = answer(request)) {
            return JsonMapper.shared().readTree(answer);
        }
    }

    private InputStream answer(HttpRequest.Builder request) throws IOException, InterruptedException {
        try {
            HttpResponse<InputStream> answer = http.send(request.build(), HttpResponse.BodyHandlers.ofInputStream());
            if (answer.statusCode() == 200) return answer.body();
            try (InputStream body = answer.body()) {
                throw new Unusable(JsonMapper.shared()
                        .readTree(body)
                        .path("detail")
                        .asString("the application answers " + answer.statusCode()));
            }
        } catch (ConnectException e) {
            throw new Unusable("no Lucid Sweep answers at " + address + "; start it first");
        }
    }

    /** Writes what is answered to a file, which appears when it is whole. */
    void download(String path, Path file) throws IOException, InterruptedException {
        download(HttpRequest.newBuilder(URI.create(address + path)), file);
    }

    void download(String path, Object body, Path file) throws IOException, InterruptedException {
        download(posted(address + path, body), file);
    }

    private void download(HttpRequest.Builder request, Path file) throws IOException, InterruptedException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try (InputStream answer = answer(request)) {
            Files.copy(answer, part, StandardCopyOption.REPLACE_EXISTING);
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new Unusable("cannot write " + file + ": " + CommandFiles.why(e));
        } finally {
            Files.deleteIfExists(part);
        }
    }

    /** Whose a property is, by the start of its addresses. */
    long clientOf(String propertyPath) throws IOException, InterruptedException {
        return get(propertyPath + "/standing").path("property").path("clientId").asLong();
    }

    /** Writes what is answered to standard output. */
    void print(String path) throws IOException, InterruptedException {
        try (InputStream answer = answer(HttpRequest.newBuilder(URI.create(address + path)))) {
            answer.transferTo(System.out);
        }
        System.out.flush();
    }

    /**
     * A property by its name.
     *
     * @param client whose it is; null where there is only one of the name
     */
    long property(String name, String client) throws IOException, InterruptedException {
        List<Long> ids = get("/api/portfolio")
                .valueStream()
                .filter(each -> each.path("property").path("name").asString().equalsIgnoreCase(name.strip()))
                .filter(each ->
                        client == null || each.path("clientName").asString().equalsIgnoreCase(client.strip()))
                .map(each -> each.path("property").path("id").asLong())
                .toList();
        if (ids.size() == 1) return ids.get(0);
        throw new Unusable(
                ids.isEmpty()
                        ? "there is no property \"" + name + "\""
                        : ids.size() + " properties are called \"" + name + "\"; say whose with --client");
    }
}
