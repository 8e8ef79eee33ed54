package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import lucidsweep.server.backup.DatabaseFile;
import lucidsweep.server.database.FolderLock;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

/** Puts a copy of everything back, or adds what is in it; nothing that was there before is lost either way. */
@Command(
        name = "restore",
        description = "Restores a backup while the application is stopped; what was there is kept beside it."
                + " With --add, adds its clients to those that are there while the application runs.")
final class RestoreCommand implements Callable<Integer> {

    private static final long ASK_AGAIN_MS = 300;

    @Parameters(paramLabel = "FILE", description = "the ZIP file that ./lucid backup wrote")
    private Path file;

    @Option(names = "--add", description = "add its clients to those of the running application")
    private boolean add;

    @Mixin
    private DataOption data;

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path folder = data.folder();
        if (!Files.isReadable(file)) throw new Unusable("cannot read the file " + file);
        if (!DatabaseFile.isCopy(file)) throw new Unusable(file + " is no copy that ./lucid backup wrote");
        if (add) {
            addTo(folder);
            return 0;
        }
        Files.createDirectories(folder);
        try (FolderLock lock = FolderLock.take(folder)
                .orElseThrow(() -> new Unusable("Lucid Sweep is running on " + folder + "; end it first"))) {
            DatabaseFile.replace(file, folder)
                    .ifPresent(kept -> System.out.println("What was there is kept in " + kept));
        }
        System.out.println("Restored to " + folder);
        return 0;
    }

    private void addTo(Path folder) throws IOException, InterruptedException {
        RunningApi api = RunningApi.on(folder);
        String job =
                "/api/jobs/" + api.upload("/api/backups/add", file).path("id").asLong();
        JsonNode state = api.get(job);
        while (state.path("state").asString().equals("running")) {
            Thread.sleep(ASK_AGAIN_MS);
            state = api.get(job);
        }
        if (!state.path("state").asString().equals("done"))
            throw new Unusable(state.path("note").asString());
        System.out.println(state.path("note").asString());
    }
}
