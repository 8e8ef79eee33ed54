package lucidsweep.server.triage;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.finding.InspectedItem;
import lucidsweep.core.finding.InspectedText;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroup;
import lucidsweep.server.item.table.ItemDetail;

/** Makes of stored items what the rules look at. */
final class InspectedItems {

    private final Words words;
    private final Map<Long, AlikeGroup> titles;
    private final Map<Long, AlikeGroup> descriptions;
    private final Map<Long, String> addresses;

    InspectedItems(
            Words words,
            Map<Long, AlikeGroup> titles,
            Map<Long, AlikeGroup> descriptions,
            Map<Long, String> addresses) {
        this.words = words;
        this.titles = titles;
        this.descriptions = descriptions;
        this.addresses = addresses;
    }

    InspectedItem of(ItemDetail item) {
        return new InspectedItem(
                item.address(),
                Optional.ofNullable(item.noindex()),
                text(Field.TITLE, item.title(), titles, item.id()),
                text(Field.DESCRIPTION, item.description(), descriptions, item.id()),
                new InspectedText(Field.H1, item.seen().h1Count(), item.seen().h1(), words, 1, ""),
                item.seen().h1Count(),
                item.tags() == null ? null : TagList.of(item.tags().text()),
                Optional.ofNullable(item.keyword()).map(keyword -> Phrase.of(keyword, words)),
                kept(item));
    }

    private InspectedText text(Field field, FieldLine text, Map<Long, AlikeGroup> groups, long itemId) {
        AlikeGroup group = groups.get(text.alike());
        int alike = group == null ? 1 : group.count();
        String twin = "";
        if (group != null) {
            long other = group.firstItem() == itemId ? group.lastItem() : group.firstItem();
            twin = addresses.getOrDefault(other, "another item");
        }
        return new InspectedText(field, text.count(), text.text(), words, alike, twin);
    }

    private static Set<Field> kept(ItemDetail item) {
        Set<Field> kept = EnumSet.noneOf(Field.class);
        if (item.title().isKept()) kept.add(Field.TITLE);
        if (item.description().isKept()) kept.add(Field.DESCRIPTION);
        if (item.tags() != null && item.tags().isKept()) kept.add(Field.TAGS);
        return kept;
    }

    static List<Long> members(AlikeGroup group) {
        return List.of(group.firstItem(), group.lastItem());
    }
}
