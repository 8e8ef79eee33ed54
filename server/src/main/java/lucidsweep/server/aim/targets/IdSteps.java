package lucidsweep.server.aim.targets;

import java.util.List;
import java.util.function.Consumer;

/** Statements over many ids, some at a time. */
public final class IdSteps {

    private static final int AT_ONCE = 1_000;

    private IdSteps() {}

    public static void over(List<Long> ids, Consumer<Object[]> statement) {
        for (int start = 0; start < ids.size(); start += AT_ONCE) {
            statement.accept(
                    ids.subList(start, Math.min(ids.size(), start + AT_ONCE)).toArray());
        }
    }
}
