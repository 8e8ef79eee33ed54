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
import java.util.concurrent.Callable;
import lucidsweep.server.startup.AddressFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;

/** Asks the running application for a copy of everything. */
@Command(name = "backup", description = "Writes a backup of everything to a file while the application runs.")
final class BackupCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FILE", description = "the ZIP file to write")
    private Path file;

    @Option(
            names = "--client",
            paramLabel = "NAME",
            description = "only this client, for example to move it to another machine")
    private String client;

    @Mixin
    private DataOption data;

    @Override
    public Integer call() throws IOException, InterruptedException {
        String address = address(data.folder())
                .orElseThrow(() -> new Unusable("no Lucid Sweep is running on " + data.folder()
                        + "; start it first, or copy that folder as it is"));
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            HttpRequest request =
                    HttpRequest.newBuilder(URI.create(address + path(address))).build();
            HttpResponse<InputStream> answer =
                    HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofInputStream());
            if (answer.statusCode() != 200) throw new Unusable("the application answers " + answer.statusCode());
            try (InputStream in = answer.body()) {
                Files.copy(in, part, StandardCopyOption.REPLACE_EXISTING);
            }
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING);
        } catch (ConnectException e) {
            throw new Unusable("no Lucid Sweep answers at " + address + "; start it first");
        } catch (IOException e) {
            throw new Unusable("the copy could not be written to " + file + ": " + e.getMessage());
        } finally {
            Files.deleteIfExists(part);
        }
        System.out.printf(
                "%s has %s, %,d bytes%n",
                file, client == null ? "everything" : "the client " + client, Files.size(file));
        return 0;
    }

    /** What the application answers with the copy that is asked for. */
    private String path(String address) throws IOException, InterruptedException {
        if (client == null) return "/api/backup.zip";
        HttpRequest request =
                HttpRequest.newBuilder(URI.create(address + "/api/clients")).build();
        String body = HttpClient.newHttpClient()
                .send(request, HttpResponse.BodyHandlers.ofString())
                .body();
        List<Long> ids = JsonMapper.shared()
                .readTree(body)
                .valueStream()
                .filter(each -> each.path("name").asString().equalsIgnoreCase(client.strip()))
                .map(each -> each.path("id").asLong())
                .toList();
        if (ids.size() == 1) return "/api/clients/" + ids.get(0) + "/backup.zip";
        throw new Unusable(
                ids.isEmpty()
                        ? "there is no client \"" + client + "\""
                        : ids.size() + " clients are called \"" + client + "\"");
    }

    /** Where the application that uses a folder answers; empty where none does. */
    static Optional<String> address(Path folder) throws IOException {
        Path file = AddressFile.in(folder);
        return Files.exists(file) ? Optional.of(Files.readString(file)) : Optional.empty();
    }
}
