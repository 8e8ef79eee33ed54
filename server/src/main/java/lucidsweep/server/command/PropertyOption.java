package lucidsweep.server.command;

import java.io.IOException;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The property that a command is about, in the application that runs on a data folder. */
final class PropertyOption {

    @Option(names = "--property", required = true, paramLabel = "NAME", description = "its name, such as Website")
    private String property;

    @Option(names = "--client", paramLabel = "NAME", description = "whose it is, where several have one of that name")
    private String client;

    @Mixin
    private DataOption data;

    RunningApi api() throws IOException {
        return RunningApi.on(data.folder());
    }

    /** The start of its addresses in the API. */
    String path(RunningApi api) throws IOException, InterruptedException {
        return "/api/properties/" + api.property(property, client);
    }
}
