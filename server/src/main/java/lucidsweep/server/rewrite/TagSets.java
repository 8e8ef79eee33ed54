package lucidsweep.server.rewrite;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.compose.TagPlan;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.tags.Tags;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;

/** Chooses tag sets for some listings or videos of a property, with regard to what the others carry. */
@Component
class TagSets {

    private static final int AT_ONCE = 500;

    private final Tags tags;
    private final Items items;

    TagSets(Tags tags, Items items) {
        this.tags = tags;
        this.items = items;
    }

    /**
     * Tag sets, ready to be written.
     *
     * @param texts by item
     * @param says what they cover, in words
     */
    record Made(Map<Long, String> texts, String says) {}

    /**
     * Chooses them.
     *
     * @param selected the items, in ascending order
     * @param forbidden words that no tag may contain
     * @param brandPercent how many of a hundred places may go to brand tags
     */
    Made of(
            Property property,
            Client client,
            ItemStandards standards,
            long[] selected,
            List<String> forbidden,
            int brandPercent) {
        TagPlan plan =
                new TagPlan(Words.in(property.language()), tags.searches(property), client.brandNames(), forbidden);
        long[] all = items.allIds(property.id());
        for (int start = 0; start < all.length; start += AT_ONCE) {
            long[] some = Arrays.copyOfRange(all, start, Math.min(all.length, start + AT_ONCE));
            ItemStandards.Held held = standards.held(some);
            for (ItemDetail item : items.details(property.id(), some)) {
                if (item.tags() == null) continue;
                List<String> own = TagList.of(item.tags().text());
                if (Arrays.binarySearch(selected, item.id()) < 0 || item.tags().isKept()) plan.addUsed(own);
                else plan.add(planned(item, own, held));
            }
        }
        TagPlan.Planned planned = plan.planned(brandPercent / 100.0);
        Map<Long, String> texts = new HashMap<>();
        planned.tags().forEach((id, set) -> texts.put(id, TagList.join(set)));
        return new Made(texts, says(planned));
    }

    private static TagPlan.Item planned(ItemDetail item, List<String> own, ItemStandards.Held held) {
        String keyword = item.keyword() == null ? "" : item.keyword();
        return new TagPlan.Item(
                item.id(),
                item.title().text() + " " + keyword + " " + item.section(),
                own,
                item.description().text(),
                held.standard(item.id()).tags());
    }

    private static String says(TagPlan.Planned planned) {
        String covered = String.format(
                Locale.ROOT,
                "The tags of all cover %,d searches a month, %,d before",
                Math.round(planned.after()),
                Math.round(planned.before()));
        int sets = planned.tags().size();
        if (planned.exact() == sets) return covered + ". No set under these limits is worth more.";
        return covered
                + String.format(
                        Locale.ROOT,
                        ". %,d of %,d sets are the best under these limits; the others lack at most %.2f%% together.",
                        planned.exact(),
                        sets,
                        planned.gap() * 100);
    }
}
