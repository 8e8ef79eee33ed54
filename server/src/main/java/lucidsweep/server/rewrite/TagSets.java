package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.compose.TagPlan;
import lucidsweep.core.demand.Season;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
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
        Words words = Words.in(property.language());
        TagPlan plan = new TagPlan(words, tags.searches(property), client.brandNames(), forbidden);
        long[] all = items.allIds(property.id());
        for (int start = 0; start < all.length; start += AT_ONCE) {
            long[] some = Arrays.copyOfRange(all, start, Math.min(all.length, start + AT_ONCE));
            ItemStandards.Held held = standards.held(some);
            for (ItemDetail item : items.details(property.id(), some)) {
                if (item.tags() == null) continue;
                List<String> own = TagList.of(item.tags().text());
                if (Arrays.binarySearch(selected, item.id()) < 0 || item.tags().isKept()) plan.addUsed(own);
                else plan.add(planned(item, own, held.standard(item.id()).tags()));
            }
        }
        TagPlan.Planned planned = plan.planned(brandPercent / 100.0);
        Map<Long, String> texts = new HashMap<>();
        planned.tags().forEach((id, set) -> texts.put(id, TagList.join(set)));
        return new Made(texts, says(planned));
    }

    /**
     * Exchanges the tags of a season only: those whose season a month is not go, and those whose season it is come in their
     * places. All other tags stay as they are.
     *
     * @param month of the year, 1 to 12
     */
    Made ofSeason(Property property, ItemStandards standards, long[] selected, int month) {
        Words words = Words.in(property.language());
        Tags.Seasonal seasonal = tags.seasonal(property, month);
        Set<Set<String>> seasons = new HashSet<>();
        Stream.concat(seasonal.now().keySet().stream(), seasonal.others().stream())
                .forEach(phrase -> seasons.add(words.stems(phrase)));
        Set<Set<String>> others = seasonal.others().stream().map(words::stems).collect(Collectors.toSet());
        TagPlan plan = new TagPlan(words, seasonal.now(), List.of(), List.of());
        Map<Long, List<String>> staying = new HashMap<>();
        for (int start = 0; start < selected.length; start += AT_ONCE) {
            long[] some = Arrays.copyOfRange(selected, start, Math.min(selected.length, start + AT_ONCE));
            ItemStandards.Held held = standards.held(some);
            for (ItemDetail item : items.details(property.id(), some)) {
                if (item.tags() == null || item.tags().isKept()) continue;
                List<String> own = TagList.of(item.tags().text());
                List<String> stay = own.stream()
                        .filter(tag -> !seasons.contains(words.stems(tag)))
                        .toList();
                List<String> inSeason = own.stream()
                        .filter(tag -> !stay.contains(tag) && !others.contains(words.stems(tag)))
                        .toList();
                staying.put(item.id(), stay);
                plan.add(planned(item, inSeason, left(held.standard(item.id()).tags(), stay)));
            }
        }
        Map<Long, String> texts = new HashMap<>();
        plan.planned(1).tags().forEach((id, set) -> {
            List<String> all = new ArrayList<>(staying.get(id));
            all.addAll(set);
            texts.put(id, TagList.join(all));
        });
        return new Made(
                texts,
                String.format(
                        Locale.ROOT,
                        "%,d phrases are in season in %s, %,d are not.",
                        seasonal.now().size(),
                        Season.name(month),
                        seasonal.others().size()));
    }

    /** What some tags leave of the limits of a set. */
    private static Standard.TagLimits left(Standard.TagLimits limits, List<String> tags) {
        int chars = tags.isEmpty() ? 0 : Standard.TagLimits.chars(tags) + 1;
        return new Standard.TagLimits(
                Math.max(0, limits.max() - tags.size()),
                limits.maxChars(),
                Math.max(0, limits.maxTotalChars() - chars));
    }

    private static TagPlan.Item planned(ItemDetail item, List<String> own, Standard.TagLimits limits) {
        String keyword = item.keyword() == null ? "" : item.keyword();
        return new TagPlan.Item(
                item.id(),
                item.title().text() + " " + keyword + " " + item.section(),
                own,
                item.description().text(),
                limits);
    }

    /** What is searched for a month, by phrase. */
    Map<String, Double> searches(Property property) {
        return tags.searches(property);
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
