package lucidsweep.server.command;

import java.nio.file.Path;
import picocli.CommandLine.Option;

/** The data folder that a command is about. */
final class DataOption {

    @Option(names = "--data", paramLabel = "DIR", description = "the data folder; default: the one that ./start uses")
    private Path folder;

    Path folder() {
        return (folder == null ? Path.of(System.getProperty("lucid.default-data", "data")) : folder)
                .toAbsolutePath()
                .normalize();
    }
}
