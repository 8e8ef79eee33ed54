package lucidsweep.server.item.table;

import java.util.Arrays;
import java.util.List;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.FindingLife;

/** Since when each finding of an item is there, in seconds since 1970; below 0 where it is back after it was fixed. */
final class LifeParts {

    private static final int[] NONE = {};

    private LifeParts() {}

    /** In the order of the findings. */
    static int[] of(String line, List<Mark> findings) {
        if (findings.isEmpty()) return NONE;
        FindingLife life = FindingLife.read(line);
        int[] moments = new int[findings.size()];
        for (int i = 0; i < moments.length; i++) {
            FindingLife.Since since =
                    life.since(Check.id(findings.get(i).field(), findings.get(i).check()));
            if (since == null) continue;
            int moment = (int) Math.min(since.moment(), Integer.MAX_VALUE);
            moments[i] = since.back() ? -moment : moment;
        }
        return Arrays.stream(moments).allMatch(moment -> moment == 0) ? NONE : moments;
    }
}
