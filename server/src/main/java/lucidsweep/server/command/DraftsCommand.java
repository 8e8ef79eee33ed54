package lucidsweep.server.command;

import java.io.IOException;
import java.util.concurrent.Callable;
import lucidsweep.core.item.DraftState;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Lists the drafts of a property. */
@Command(name = "drafts", description = "Lists the drafts of a property as CSV, while the application runs.")
final class DraftsCommand implements Callable<Integer> {

    @Mixin
    private PropertyOption property;

    @Option(names = "--state", paramLabel = "STATE", description = "only those in it, such as approved")
    private String state;

    @Override
    public Integer call() throws IOException, InterruptedException {
        if (state != null) checkState();
        RunningApi api = property.api();
        api.print(property.path(api) + "/drafts.csv" + (state == null ? "" : "?state=" + state));
        return 0;
    }

    private void checkState() {
        try {
            DraftState.of(state);
        } catch (IllegalArgumentException e) {
            throw new Unusable("--state: " + e.getMessage());
        }
    }
}
