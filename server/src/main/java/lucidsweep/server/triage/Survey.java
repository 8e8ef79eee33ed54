package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import lucidsweep.core.alike.AlikeTexts;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroups;

/** What has to be known of all indexable items before any one can be judged: which texts they share, whole or in their endings. */
final class Survey {

    private final AlikeGroups titles = new AlikeGroups();
    private final AlikeGroups descriptions = new AlikeGroups();
    private final AlikeTexts likeTitles;
    private final AlikeTexts likeDescriptions;
    private final Ending.Finder endings = new Ending.Finder();
    private final List<Ending> known;
    private final Set<Field> without;
    private final Set<Ending> stillThere = new HashSet<>();
    private int titleCount;

    /**
     * Begins to look.
     *
     * @param known the endings that were common when this was last looked at
     * @param places the places that the client serves
     * @param without fields whose texts are not compared, since what is alike among them is known
     */
    Survey(List<Ending> known, Standard.Likeness alike, Collection<String> places, Set<Field> without) {
        this.known = known;
        this.without = without;
        likeTitles = new AlikeTexts(alike.titles(), places);
        likeDescriptions = new AlikeTexts(alike.descriptions(), places);
    }

    /** Looks at the texts of some items; they come in the order of the items' ids. */
    void add(List<FieldLine> texts) {
        for (FieldLine text : texts) {
            boolean title = text.field() == Field.TITLE;
            if (title && !text.text().isBlank()) addTitle(text.text());
            (title ? titles : descriptions).add(text.alike(), text.itemId());
            if (!without.contains(text.field()))
                (title ? likeTitles : likeDescriptions).add(text.itemId(), text.text(), text.alike());
        }
    }

    AlikeGroups titles() {
        return titles;
    }

    AlikeGroups descriptions() {
        return descriptions;
    }

    /** Titles that are like others, their common endings left out. */
    AlikeTexts.Found likeTitles(List<Ending> endings) {
        return likeTitles.found(title -> withoutEnding(title, endings));
    }

    AlikeTexts.Found likeDescriptions() {
        return likeDescriptions.found(UnaryOperator.identity());
    }

    private static String withoutEnding(String title, List<Ending> endings) {
        for (Ending ending : endings) {
            if (title.endsWith(ending.text()))
                return title.substring(0, title.length() - ending.text().length());
        }
        return title;
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
                standard.alike().endingShare(),
                standard.alike().endingPx(),
                standard.title().desktop()));
        Set<String> found = common.stream().map(Ending::text).collect(Collectors.toSet());
        stillThere.stream()
                .filter(ending -> !found.contains(ending.text()))
                .filter(ending -> ending.count() >= standard.alike().endingShare() * titleCount
                        && ending.px() >= standard.alike().endingPx())
                .forEach(common::add);
        common.sort(Comparator.comparingInt((Ending ending) -> -ending.text().length())
                .thenComparing(Ending::text));
        return common;
    }
}
