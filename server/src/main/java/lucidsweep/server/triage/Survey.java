package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroups;

/** What has to be known of all indexable items before any one can be judged: which texts they share, whole or in their endings. */
final class Survey {

    private final AlikeGroups titles = new AlikeGroups();
    private final AlikeGroups descriptions = new AlikeGroups();
    private final Ending.Finder endings = new Ending.Finder();
    private final List<Ending> known;
    private final Set<Ending> stillThere = new HashSet<>();
    private int titleCount;

    /** @param known the endings that were common when this was last looked at */
    Survey(List<Ending> known) {
        this.known = known;
    }

    /** Looks at the texts of some items; they come in the order of the items' ids. */
    void add(List<FieldLine> texts) {
        for (FieldLine text : texts) {
            boolean title = text.field() == Field.TITLE;
            if (title && !text.text().isBlank()) addTitle(text.text());
            (title ? titles : descriptions).add(text.alike(), text.itemId());
        }
    }

    AlikeGroups titles() {
        return titles;
    }

    AlikeGroups descriptions() {
        return descriptions;
    }

    private void addTitle(String title) {
        titleCount++;
        endings.add(title);
        for (Ending ending : known) {
            if (title.endsWith(ending.text())) stillThere.add(ending);
        }
    }

    /**
     * The endings that many titles share, the longest first; and those that many shared before and some still do, since
     * a cause that is half mended is still a cause.
     */
    List<Ending> endings(Standard standard) {
        List<Ending> common = new ArrayList<>(endings.common(
                standard.endingShare(), standard.endingPx(), standard.title().desktop()));
        Set<String> found = common.stream().map(Ending::text).collect(Collectors.toSet());
        stillThere.stream()
                .filter(ending -> !found.contains(ending.text()))
                .filter(ending ->
                        ending.count() >= standard.endingShare() * titleCount && ending.px() >= standard.endingPx())
                .forEach(common::add);
        common.sort(Comparator.comparingInt((Ending ending) -> -ending.text().length())
                .thenComparing(Ending::text));
        return common;
    }
}
