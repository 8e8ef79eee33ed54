package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.FindingLife;
import lucidsweep.server.item.draft.FieldId;

/**
 * When the findings of an item came and others of it ended, in seconds since 1970.
 *
 * @param since in the order of its findings; below 0 of one that is back after it was fixed; empty where nobody noted any
 * @param ended two numbers for each: the moment, and the place of the field whose draft ended it among those that can be drafted,
 *     or {@link #FIXED}
 */
record LifeParts(int[] since, int[] ended) {

    /** In the place of a field: not ended by a draft. */
    static final int FIXED = -1;

    private static final int[] NONE = {};
    private static final LifeParts EMPTY = new LifeParts(NONE, NONE);

    /** @param line as {@link FindingLife} has it; "" where nothing was ever found */
    static LifeParts of(String line, List<Mark> findings) {
        if (line.isEmpty()) return EMPTY;
        FindingLife life = FindingLife.read(line);
        return new LifeParts(since(life, findings), ended(life.ended()));
    }

    static LifeParts read(TableInput in) {
        int[] since = in.readInts(in.readInt());
        return new LifeParts(since, in.readInts(in.readInt()));
    }

    void write(TableOutput out) throws IOException {
        out.writeInt(since.length);
        out.writeInts(since, since.length);
        out.writeInt(ended.length);
        out.writeInts(ended, ended.length);
    }

    private static int[] since(FindingLife life, List<Mark> findings) {
        int[] moments = new int[findings.size()];
        for (int i = 0; i < moments.length; i++) {
            FindingLife.Since since =
                    life.since(Check.id(findings.get(i).field(), findings.get(i).check()));
            if (since == null) continue;
            moments[i] = since.back() ? -seconds(since.moment()) : seconds(since.moment());
        }
        return Arrays.stream(moments).allMatch(moment -> moment == 0) ? NONE : moments;
    }

    private static int[] ended(Map<String, FindingLife.End> all) {
        if (all.isEmpty()) return NONE;
        int[] parts = new int[2 * all.size()];
        int at = 0;
        for (Map.Entry<String, FindingLife.End> each : all.entrySet()) {
            parts[at++] = seconds(each.getValue().moment());
            parts[at++] = each.getValue().byDraft() ? FieldId.FIELDS.indexOf(FindingLife.field(each.getKey())) : FIXED;
        }
        return parts;
    }

    private static int seconds(long moment) {
        return (int) Math.min(moment, Integer.MAX_VALUE);
    }
}
