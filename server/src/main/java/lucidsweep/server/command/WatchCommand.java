package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Writes what became of a property: positions, sudden moves, effects, what is due. */
@Command(
        name = "watch",
        description =
                "Writes positions.csv, moves.csv, effects.csv and due.csv of a property, while the application runs.")
final class WatchCommand implements Callable<Integer> {

    @Mixin
    private PropertyOption property;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    @Override
    public Integer call() throws IOException, InterruptedException {
        RunningApi api = property.api();
        String path = property.path(api) + "/watch/";
        CommandFiles.folder(out);
        api.download(path + "course.csv", out.resolve("positions.csv"));
        for (String table : new String[] {"moves", "effects", "due"})
            api.download(path + table + ".csv", out.resolve(table + ".csv"));
        System.out.printf("%s has positions.csv, moves.csv, effects.csv and due.csv%n", out);
        return 0;
    }
}
