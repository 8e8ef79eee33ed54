package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import lucidsweep.core.item.DraftState;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Delivers the approved drafts of a property as a file. */
@Command(
        name = "deliver",
        description = "Delivers the approved drafts of a property as a file, while the application runs.")
final class DeliverCommand implements Callable<Integer> {

    @Mixin
    private PropertyOption property;

    @Option(
            names = "--as",
            required = true,
            paramLabel = "FORMAT",
            description = "csv, xlsx, json, jsonl, html, redirects, nginx, apache or listings")
    private String format;

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "the file to write")
    private Path out;

    @Option(names = "--name", paramLabel = "NAME", description = "of the release")
    private String name;

    @Option(names = "--reason", paramLabel = "TEXT", description = "why it is delivered")
    private String reason;

    @Option(names = "--approve", description = "approve all drafts before, where nobody has to agree")
    private boolean approve;

    @Override
    public Integer call() throws IOException, InterruptedException {
        RunningApi api = property.api();
        String path = property.path(api);
        if (approve) {
            api.post(path + "/decisions", Map.of("selection", Map.of(), "state", DraftState.APPROVED.code()));
        }
        Map<String, String> order = new HashMap<>(Map.of("format", format));
        order.put("name", name);
        order.put("reason", reason);
        JsonNode made = api.post(path + "/handovers", order);
        api.download("/api/handovers/" + made.path("id").asLong() + "/file", out);
        System.out.printf(
                "%s has %d texts of %d items%n",
                out, made.path("texts").asInt(), made.path("items").asInt());
        return 0;
    }
}
