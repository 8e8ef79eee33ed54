package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.Ending;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroups;

/** What has to be known of all indexable items before any one can be judged: which texts they share, whole or in their endings. */
final class Survey {

    private final AlikeGroups titles = new AlikeGroups();
    private final AlikeGroups descriptions = new AlikeGroups();
    private final Ending.Finder endings = new Ending.Finder();

    /** Looks at the texts of some items; they come in the order of the items' ids. */
    void add(List<FieldLine> texts) {
        for (FieldLine text : texts) {
            boolean title = text.field() == Field.TITLE;
            if (title && !text.text().isBlank()) endings.add(text.text());
            (title ? titles : descriptions).add(text.alike(), text.itemId());
        }
    }

    AlikeGroups titles() {
        return titles;
    }

    AlikeGroups descriptions() {
        return descriptions;
    }

    Ending.Finder endings() {
        return endings;
    }
}
