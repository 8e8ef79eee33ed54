package lucidsweep.server.command;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import lucidsweep.server.backup.DatabaseFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** Puts a copy of everything back; what was there before is kept beside it. */
@Command(
        name = "restore",
        description = "Restores a backup while the application is stopped; what was there is kept beside it.")
final class RestoreCommand implements Callable<Integer> {

    @Parameters(paramLabel = "FILE", description = "the ZIP file that ./lucid backup wrote")
    private Path file;

    @Mixin
    private DataOption data;

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path folder = data.folder();
        if (!Files.isReadable(file)) throw new Unusable("cannot read the file " + file);
        if (!DatabaseFile.isCopy(file)) throw new Unusable(file + " is no copy that ./lucid backup wrote");
        if (isRunning(folder)) throw new Unusable("Lucid Sweep is running on " + folder + "; end it first");
        DatabaseFile.replace(file, folder).ifPresent(kept -> System.out.println("What was there is kept in " + kept));
        System.out.println("Restored to " + folder);
        return 0;
    }

    private static boolean isRunning(Path folder) throws IOException, InterruptedException {
        Optional<String> address = BackupCommand.address(folder);
        if (address.isEmpty()) return false;
        try {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address.get() + "/api/clients"))
                    .build();
            HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.discarding());
            return true;
        } catch (IOException nobodyAnswers) {
            return false;
        }
    }
}
