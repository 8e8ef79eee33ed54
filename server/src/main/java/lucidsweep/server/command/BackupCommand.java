package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

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
        RunningApi api = RunningApi.on(data.folder());
        api.download(path(api), file);
        System.out.printf(
                "%s has %s, %,d bytes%n",
                file, client == null ? "everything" : "the client " + client, Files.size(file));
        return 0;
    }

    /** Where the application has the copy that is asked for. */
    private String path(RunningApi api) throws IOException, InterruptedException {
        if (client == null) return "/api/backup.zip";
        List<Long> ids = api.get("/api/clients")
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
}
