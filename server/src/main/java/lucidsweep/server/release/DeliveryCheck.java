package lucidsweep.server.release;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.ItemView;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import org.springframework.stereotype.Service;

/** Looks at what is approved, and says which mistakes delivering it would make. */
@Service
class DeliveryCheck {

    private static final int CHUNK = 500;
    private static final int SHOWN = 5;

    private final Clients clients;
    private final Items items;
    private final Drafts drafts;
    private final SetStandards standards;

    DeliveryCheck(Clients clients, Items items, Drafts drafts, SetStandards standards) {
        this.clients = clients;
        this.items = items;
        this.drafts = drafts;
        this.standards = standards;
    }

    /** A kind of mistake. */
    enum Mistake {
        SAME_TEXT("two items would get the same text"),
        ADDRESS_TAKEN("another page is at the new address, or is to be"),
        NO_FIT("the text does not fit the standard, which may have changed since"),
        IN_PLACE("the page says it already"),
        EMPTY("the text is empty");

        private final String says;

        Mistake(String says) {
            this.says = says;
        }
    }

    /**
     * A mistake, and how often it would be made.
     *
     * @param examples addresses of the first items
     */
    record Objection(Mistake mistake, String says, int texts, List<String> examples) {}

    List<Objection> of(long propertyId) {
        Property property = clients.property(propertyId);
        long[] ids = items.ids(ItemView.of(propertyId, ItemFilter.ofState(DraftState.APPROVED)));
        Arrays.sort(ids);
        Map<Mistake, List<Long>> found = new EnumMap<>(Mistake.class);
        ItemStandards held = standards.of(property);
        for (Field field : FieldId.FIELDS) {
            Map<Long, Long> texts = new HashMap<>();
            for (int start = 0; start < ids.length; start += CHUNK) {
                long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
                ItemStandards.Held standardsOf = held.held(some);
                for (FieldLine text : drafts.fields(some, field)) {
                    if (text.state() != DraftState.APPROVED) continue;
                    look(text, standardsOf.standard(text.itemId()), found);
                    if (isAlike(propertyId, text, texts)) add(Mistake.SAME_TEXT, text, found);
                }
            }
        }
        addresses(propertyId, ids, found);
        return found.entrySet().stream()
                .map(each -> objection(each.getKey(), each.getValue()))
                .toList();
    }

    private static void look(FieldLine text, Standard standard, Map<Mistake, List<Long>> found) {
        if (text.text().isBlank()) add(Mistake.EMPTY, text, found);
        else if (text.text().equals(text.captured())) add(Mistake.IN_PLACE, text, found);
        else if (!fits(text, standard)) add(Mistake.NO_FIT, text, found);
    }

    private static boolean fits(FieldLine text, Standard standard) {
        return switch (text.field()) {
            case TITLE, DESCRIPTION, SLUG ->
                standard.limits(text.field()).fits(text.text(), Graphemes.count(text.text()));
            case TAGS -> standard.tags().fit(TagList.of(text.text()));
            default -> true;
        };
    }

    /** Whether another item has the title or description, or is to get it. */
    private boolean isAlike(long propertyId, FieldLine text, Map<Long, Long> texts) {
        if (text.field() != Field.TITLE && text.field() != Field.DESCRIPTION
                || text.text().isBlank()) return false;
        long hash = TextKey.hash(text.text());
        if (texts.putIfAbsent(hash, text.itemId()) != null) return true;
        return items.alikeItems(propertyId, text.field(), List.of(hash)).stream()
                .anyMatch(other -> other != text.itemId());
    }

    /** A page that was swept since may be where another one is to move. */
    private void addresses(long propertyId, long[] ids, Map<Mistake, List<Long>> found) {
        Map<Long, String> moved = new HashMap<>();
        for (int start = 0; start < ids.length; start += CHUNK) {
            long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK));
            List<FieldLine> slugs = drafts.fields(some, Field.SLUG).stream()
                    .filter(slug -> slug.state() == DraftState.APPROVED)
                    .toList();
            Map<Long, String> addresses =
                    items.addresses(slugs.stream().map(FieldLine::itemId).toList());
            for (FieldLine slug : slugs) {
                String address = addresses.get(slug.itemId());
                if (address != null) moved.put(slug.itemId(), Slug.replaced(address, slug.text()));
            }
        }
        if (moved.isEmpty()) return;
        Map<String, List<Long>> wanted = new HashMap<>();
        moved.forEach((item, address) ->
                wanted.computeIfAbsent(address, any -> new ArrayList<>()).add(item));
        wanted.values().stream()
                .filter(same -> same.size() > 1)
                .forEach(same -> found.computeIfAbsent(Mistake.ADDRESS_TAKEN, any -> new ArrayList<>())
                        .addAll(same));
        items.forEachAddress(propertyId, (address, item) -> {
            List<Long> movers = wanted.getOrDefault(address, List.of());
            boolean leaves = moved.containsKey(item);
            if (!leaves)
                found.computeIfAbsent(Mistake.ADDRESS_TAKEN, any -> new ArrayList<>())
                        .addAll(movers);
        });
        found.computeIfPresent(Mistake.ADDRESS_TAKEN, (mistake, some) -> some.isEmpty() ? null : some);
    }

    private static void add(Mistake mistake, FieldLine text, Map<Mistake, List<Long>> found) {
        found.computeIfAbsent(mistake, any -> new ArrayList<>()).add(text.itemId());
    }

    private Objection objection(Mistake mistake, List<Long> itemIds) {
        List<Long> first = itemIds.stream().distinct().limit(SHOWN).toList();
        Map<Long, String> addresses = items.addresses(first);
        return new Objection(
                mistake,
                mistake.says,
                itemIds.size(),
                first.stream().map(id -> addresses.getOrDefault(id, "")).toList());
    }
}
