package lucidsweep.server.item.table;

import jakarta.annotation.Nullable;
import java.util.List;

/** What is found of an item, as its table has it. */
public final class FoundOnItem {

    private final long itemId;
    private final ItemTable.Found found;

    private FoundOnItem(long itemId, ItemTable.Found found) {
        this.itemId = itemId;
        this.found = found;
    }

    /**
     * Takes what is stored of an item.
     *
     * @param stakes what fixing the findings could win, as {@link StakeParts} has it; null where nothing is at stake
     * @param life since when they are there, as {@link lucidsweep.core.finding.FindingLife} has it; "" where nothing was ever found
     */
    public static FoundOnItem of(long itemId, List<StoredFinding> findings, @Nullable String stakes, String life) {
        List<Mark> marks = findings.stream()
                .map(finding -> new Mark(finding.field(), finding.check(), finding.shared()))
                .toList();
        return new FoundOnItem(itemId, ItemTable.Found.of(marks, stakes, life));
    }

    long itemId() {
        return itemId;
    }

    ItemTable.Found found() {
        return found;
    }
}
