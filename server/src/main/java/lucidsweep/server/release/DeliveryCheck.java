package lucidsweep.server.release;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import lucidsweep.core.compose.FieldFit;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemStandards;
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
    private final ReleaseMapper mapper;

    DeliveryCheck(Clients clients, Items items, Drafts drafts, SetStandards standards, ReleaseMapper mapper) {
        this.mapper = mapper;
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
        EMPTY("the text is empty"),
        OLDER("the page changed since the text was written"),
        GONE("the item was gone at the last sweep; its text is left out");

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
        long[] ids = items.ids(propertyId, ItemFilter.ofState(DraftState.APPROVED));
        Map<Field, long[]> approved = items.inState(propertyId, ids, EnumSet.of(DraftState.APPROVED));
        Map<Mistake, List<Long>> found = new EnumMap<>(Mistake.class);
        ItemStandards held = standards.of(property);
        approved.forEach((field, of) -> {
            Set<Long> texts = new HashSet<>();
            forEachChunk(of, some -> {
                ItemStandards.Held standardsOf = held.held(some);
                for (FieldLine text : drafts.fields(some, field)) {
                    look(text, standardsOf.standard(text.itemId()), found);
                    if (isAlike(propertyId, text, texts)) add(Mistake.SAME_TEXT, text.itemId(), found);
                }
            });
        });
        addresses(propertyId, approved.getOrDefault(Field.SLUG, new long[0]), found);
        IdRange range = IdRange.of(propertyId);
        long first = FieldId.first(range.first());
        long last = FieldId.last(range.last());
        mapper.older(first, last).forEach(item -> add(Mistake.OLDER, item, found));
        mapper.gone(first, last).forEach(item -> add(Mistake.GONE, item, found));
        return found.entrySet().stream()
                .map(each -> objection(each.getKey(), each.getValue()))
                .toList();
    }

    private static void forEachChunk(long[] ids, Consumer<long[]> visit) {
        for (int start = 0; start < ids.length; start += CHUNK) {
            visit.accept(Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK)));
        }
    }

    private static void look(FieldLine text, Standard standard, Map<Mistake, List<Long>> found) {
        if (text.text().isBlank()) add(Mistake.EMPTY, text.itemId(), found);
        else if (text.text().equals(text.captured())) add(Mistake.IN_PLACE, text.itemId(), found);
        else if (!FieldFit.fits(text.field(), text.text(), standard)) add(Mistake.NO_FIT, text.itemId(), found);
    }

    /** Whether another item has the title or description, or is to get it. */
    private boolean isAlike(long propertyId, FieldLine text, Set<Long> texts) {
        if (text.field() != Field.TITLE && text.field() != Field.DESCRIPTION
                || text.text().isBlank()) return false;
        long hash = TextKey.hash(text.text());
        if (!texts.add(hash)) return true;
        return items.alikeItems(propertyId, text.field(), List.of(hash)).stream()
                .anyMatch(other -> other != text.itemId());
    }

    /** A page that was swept since may be where another one is to move. @param ids of those that are to move */
    private void addresses(long propertyId, long[] ids, Map<Mistake, List<Long>> found) {
        if (ids.length == 0) return;
        Set<Long> moved = new HashSet<>();
        Map<String, List<Long>> wanted = new HashMap<>();
        forEachChunk(ids, some -> {
            Map<Long, String> addresses =
                    items.addresses(Arrays.stream(some).boxed().toList());
            for (FieldLine slug : drafts.fields(some, Field.SLUG)) {
                String address = Slug.replaced(addresses.get(slug.itemId()), slug.text());
                wanted.computeIfAbsent(address, any -> new ArrayList<>()).add(slug.itemId());
                moved.add(slug.itemId());
            }
        });
        for (List<Long> same : wanted.values()) {
            if (same.size() > 1) same.forEach(item -> add(Mistake.ADDRESS_TAKEN, item, found));
        }
        items.forEachAddress(propertyId, (address, item) -> {
            if (moved.contains(item)) return;
            wanted.getOrDefault(address, List.of()).forEach(mover -> add(Mistake.ADDRESS_TAKEN, mover, found));
        });
    }

    private static void add(Mistake mistake, long itemId, Map<Mistake, List<Long>> found) {
        found.computeIfAbsent(mistake, any -> new ArrayList<>()).add(itemId);
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
