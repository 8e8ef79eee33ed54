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
import lucidsweep.core.text.CommonPart;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroups;

/** What has to be known of all indexable items before any one can be judged: which texts they share, whole, or where they begin or end. */
final class Survey {

    private final AlikeGroups titles = new AlikeGroups();
    private final AlikeGroups descriptions = new AlikeGroups();
    private final AlikeTexts likeTitles;
    private final AlikeTexts likeDescriptions;
    private final List<CommonPart.Finder> finders =
            List.of(new CommonPart.Finder(CommonPart.Side.START), new CommonPart.Finder(CommonPart.Side.END));
    private final List<CommonPart> known;
    private final Set<Field> without;
    private final Set<CommonPart> stillThere = new HashSet<>();
    private int titleCount;

    /**
     * Begins to look.
     *
     * @param known the beginnings and endings that were common when this was last looked at
     * @param places the places that the client serves
     * @param without fields whose texts are not compared, since what is alike among them is known
     */
    Survey(List<CommonPart> known, Standard.Likeness alike, Collection<String> places, Set<Field> without) {
        this.known = known;
        this.without = without;
        likeTitles = new AlikeTexts(alike.titles(), places);
        likeDescriptions = new AlikeTexts(alike.descriptions(), places);
    }

    /** Looks at the texts of some items; they come in the order of the items' ids. */
    void add(List<FieldLine> texts) {
        addTitles(texts.stream()
                .filter(text -> text.field() == Field.TITLE && !text.text().isBlank())
                .map(FieldLine::text)
                .toList());
        for (FieldLine text : texts) {
            boolean title = text.field() == Field.TITLE;
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

    /** Titles that are like others, their common beginnings and endings left out. */
    AlikeTexts.Found likeTitles(List<CommonPart> common) {
        return likeTitles.found(title -> without(title, common));
    }

    AlikeTexts.Found likeDescriptions() {
        return likeDescriptions.found(UnaryOperator.identity());
    }

    private static String without(String title, List<CommonPart> common) {
        String rest = title;
        for (CommonPart.Side side : CommonPart.Side.values()) {
            for (CommonPart part : common) {
                if (part.side() != side || !part.isIn(rest)) continue;
                rest = part.cutFrom(rest);
                break;
            }
        }
        return rest;
    }

    private void addTitles(List<String> titles) {
        titleCount += titles.size();
        finders.parallelStream().forEach(finder -> titles.forEach(finder::add));
        for (CommonPart part : known) if (titles.stream().anyMatch(part::isIn)) stillThere.add(part);
    }

    /**
     * The beginnings and endings that many titles share, the longest first; and those that many shared before and some
     * still do, since a cause that is half mended is still a cause.
     */
    List<CommonPart> common(Standard standard) {
        double share = standard.alike().endingShare();
        double px = standard.alike().endingPx();
        List<CommonPart> common = new ArrayList<>();
        for (CommonPart.Finder finder : finders)
            common.addAll(finder.common(share, px, standard.title().desktop()));
        Set<String> found = common.stream().map(CommonPart::text).collect(Collectors.toSet());
        stillThere.stream()
                .filter(part -> !found.contains(part.text()))
                .filter(part -> part.count() >= share * titleCount && part.px() >= px)
                .forEach(common::add);
        common.sort(Comparator.comparingInt((CommonPart part) -> -part.text().length())
                .thenComparing(CommonPart::text));
        return common;
    }
}
