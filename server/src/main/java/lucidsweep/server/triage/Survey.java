package lucidsweep.server.triage;

import java.util.List;
import lucidsweep.core.text.Ending;
import lucidsweep.server.item.AlikeGroups;
import lucidsweep.server.item.ItemDetail;

/** What has to be known of all items before any one can be judged: which texts they share, whole or in their endings. */
final class Survey {

    private final AlikeGroups titles = new AlikeGroups();
    private final AlikeGroups descriptions = new AlikeGroups();
    private final Ending.Finder endings = new Ending.Finder();

    /** Looks at some items; they come in the order of their ids. */
    void add(List<ItemDetail> items) {
        for (ItemDetail item : items) {
            if (!item.title().text().isBlank()) endings.add(item.title().text());
            if (item.obstacle() != null) continue;
            titles.add(item.title().alike(), item.id());
            descriptions.add(item.description().alike(), item.id());
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
