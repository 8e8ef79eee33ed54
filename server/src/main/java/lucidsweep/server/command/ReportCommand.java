package lucidsweep.server.command;

import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Asks the running application for the report of a property. */
@Command(name = "report", description = "Writes the report of a property for the client, while the application runs.")
final class ReportCommand implements Callable<Integer> {

    @Option(names = "--property", required = true, paramLabel = "NAME", description = "its name, such as Website")
    private String property;

    @Option(names = "--client", paramLabel = "NAME", description = "whose it is, where several have one of that name")
    private String client;

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "ends in .html or .xlsx")
    private Path out;

    @Option(names = "--language", paramLabel = "CODE", description = "en, de or fr; default: en")
    private String language;

    @Option(names = "--colour", paramLabel = "#RRGGBB", description = "of headings and bars")
    private String colour;

    @Option(names = "--logo", paramLabel = "FILE", description = "a PNG, JPEG, GIF or WebP picture")
    private Path logo;

    @Mixin
    private DataOption data;

    private final HttpClient http = HttpClient.newHttpClient();

    @Override
    public Integer call() throws IOException, InterruptedException {
        String name = out.getFileName().toString();
        if (!name.endsWith(".html") && !name.endsWith(".xlsx")) {
            throw new Unusable("--out: expected a file that ends in .html or .xlsx, got " + out);
        }
        String address = BackupCommand.address(data.folder())
                .orElseThrow(() -> new Unusable("no Lucid Sweep is running on " + data.folder() + "; start it first"));
        try {
            String path = "/api/properties/" + id(address) + "/report" + name.substring(name.lastIndexOf('.'));
            HttpRequest request = HttpRequest.newBuilder(URI.create(address + path))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString(
                            JsonMapper.shared().writeValueAsString(form())))
                    .build();
            HttpResponse<byte[]> answer = http.send(request, HttpResponse.BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200) {
                throw new Unusable(JsonMapper.shared()
                        .readTree(answer.body())
                        .path("detail")
                        .asString("the application answers " + answer.statusCode()));
            }
            Files.write(out, answer.body());
        } catch (ConnectException e) {
            throw new Unusable("no Lucid Sweep answers at " + address + "; start it first");
        }
        System.out.println(out);
        return 0;
    }

    private Map<String, String> form() throws IOException {
        Map<String, String> form = new HashMap<>();
        form.put("language", language);
        form.put("colour", colour);
        if (logo != null) {
            if (!Files.isReadable(logo)) throw new Unusable("cannot read the file " + logo);
            String kind = logo.toString()
                    .replaceAll(".*\\.", "")
                    .toLowerCase(Locale.ROOT)
                    .replace("jpg", "jpeg");
            String picture = Base64.getEncoder().encodeToString(Files.readAllBytes(logo));
            form.put("logo", "data:image/" + kind + ";base64," + picture);
        }
        return form;
    }

    private long id(String address) throws IOException, InterruptedException {
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address + "/api/portfolio")).build();
        JsonNode all = JsonMapper.shared()
                .readTree(
                        http.send(request, HttpResponse.BodyHandlers.ofString()).body());
        List<Long> ids = all.valueStream()
                .filter(each -> each.path("property").path("name").asString().equalsIgnoreCase(property.strip()))
                .filter(each ->
                        client == null || each.path("clientName").asString().equalsIgnoreCase(client.strip()))
                .map(each -> each.path("property").path("id").asLong())
                .toList();
        if (ids.size() == 1) return ids.get(0);
        throw new Unusable(
                ids.isEmpty()
                        ? "there is no property \"" + property + "\""
                        : ids.size() + " properties are called \"" + property + "\"; say whose with --client");
    }
}
