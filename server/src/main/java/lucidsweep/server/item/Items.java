package lucidsweep.server.item;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Fit;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Lists, filters and sorts the items of a property. */
@Service
public class Items {

    private static final int CHUNK = 500;

    /** The database compares every row with every value of a list, so that long lists cost their square. */
    private static final int LIST = 200;

    private static final long MOST_CACHED_IDS = 8_000_000;

    private final ItemMapper mapper;
    private final Clients clients;

    /** The order of a table stays as it was while its rows are edited; only a new revision is worked out anew. */
    private final Cache<ItemView, long[]> orders = Caffeine.newBuilder()
            .maximumWeight(MOST_CACHED_IDS)
            .weigher((ItemView view, long[] ids) -> ids.length + 64)
            .build();

    Items(ItemMapper mapper, Clients clients) {
        this.mapper = mapper;
        this.clients = clients;
    }

    /**
     * A stretch of a table.
     *
     * @param asOf the revision whose order is shown; ask with it again and the rows keep their places
     */
    public record Slice(long total, long asOf, List<ItemRow> rows) {}

    /** How many items a property has, how many of them are indexable, how many have a target. */
    public record Counts(long items, long indexable, long aimed) {}

    /** A folder or shop section and how many items it has. */
    public record Section(String section, int items) {}

    public Slice slice(ItemView asked, int from, int count) {
        Property property = clients.property(asked.propertyId());
        ItemView view = at(asked, property);
        long[] ids = order(view);
        int start = Math.min(Math.max(0, from), ids.length);
        int end = Math.min(start + Math.min(Math.max(0, count), CHUNK), ids.length);
        return new Slice(ids.length, view.asOf(), rows(property, Arrays.copyOfRange(ids, start, end)));
    }

    /** The ids of a table in its order. */
    public long[] ids(ItemView asked) {
        return order(at(asked, clients.property(asked.propertyId()))).clone();
    }

    /** The ids of a stretch of a table. */
    public long[] ids(ItemView asked, int from, int count) {
        long[] ids = order(at(asked, clients.property(asked.propertyId())));
        int start = Math.min(Math.max(0, from), ids.length);
        return Arrays.copyOfRange(ids, start, Math.min(start + Math.max(0, count), ids.length));
    }

    /** Walks over all rows of a table, a few hundred at a time. */
    public void forEach(ItemView asked, Consumer<ItemRow> visit) {
        Property property = clients.property(asked.propertyId());
        long[] ids = order(at(asked, property));
        for (int start = 0; start < ids.length; start += CHUNK) {
            rows(property, Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK)))
                    .forEach(visit);
        }
    }

    public ItemRow row(long id) {
        Long propertyId = mapper.propertyOf(id);
        if (propertyId == null) throw Refusal.notFound("there is no item " + id);
        return rows(clients.property(propertyId), new long[] {id}).get(0);
    }

    public long propertyOf(long itemId) {
        Long propertyId = mapper.propertyOf(itemId);
        if (propertyId == null) throw Refusal.notFound("there is no item " + itemId);
        return propertyId;
    }

    public List<Section> sections(long propertyId) {
        return mapper.sections(propertyId);
    }

    public Counts counts(long propertyId) {
        return mapper.counts(propertyId);
    }

    /**
     * Walks over all items of a property with what rules and recipes need, in chunks by id.
     *
     * @param captured whether what sweeps saw, facts and copy, is wanted too
     */
    public void forEachDetail(long propertyId, boolean captured, Consumer<List<ItemDetail>> visit) {
        int size = captured ? CHUNK / 5 : CHUNK * 2;
        long after = 0;
        List<ItemMapper.Core> chunk;
        do {
            chunk = mapper.cores(propertyId, after, size);
            if (chunk.isEmpty()) return;
            long first = chunk.get(0).id();
            after = chunk.get(chunk.size() - 1).id();
            Object[] ids = captured ? chunk.stream().map(ItemMapper.Core::id).toArray() : null;
            Details details = new Details(
                    mapper.fieldTexts(propertyId, FieldId.first(first), FieldId.last(after)),
                    mapper.aims(propertyId, first, after),
                    captured ? mapper.captures(ids) : List.of());
            visit.accept(details.of(chunk));
        } while (chunk.size() == size);
    }

    /** The same of some items, without what sweeps saw. */
    public List<ItemDetail> details(long[] ids) {
        List<ItemDetail> found = new ArrayList<>(ids.length);
        for (int start = 0; start < ids.length; start += LIST) {
            Object[] some = boxed(Arrays.copyOfRange(ids, start, Math.min(ids.length, start + LIST)));
            Details details = new Details(mapper.fieldTextsOf(FieldId.ofAll(some)), mapper.aimsOf(some), List.of());
            found.addAll(details.of(mapper.coresOf(some)));
        }
        return found;
    }

    /** What the last sweep saw of an item, as JSON. */
    public String facts(long itemId) {
        return mapper.captures(new Object[] {itemId}).get(0).facts();
    }

    /** Indexable items that share a text. */
    public List<AlikeGroup> alikeGroups(long propertyId, String field) {
        return mapper.alikeGroups(propertyId, field);
    }

    /** The same, of some texts only. */
    public List<AlikeGroup> alikeGroups(long propertyId, String field, List<Long> keys) {
        return inLists(keys, some -> mapper.alikeGroupsOf(propertyId, field, some));
    }

    /** All items with one of these texts, by hash. */
    public List<Long> alikeItems(long propertyId, String field, List<Long> keys) {
        return inLists(keys, some -> mapper.alikeItems(propertyId, field, some));
    }

    private static <T> List<T> inLists(List<Long> values, Function<Object[], List<T>> query) {
        List<Long> distinct = values.stream().distinct().toList();
        List<T> found = new ArrayList<>();
        for (int start = 0; start < distinct.size(); start += LIST) {
            found.addAll(query.apply(distinct.subList(start, Math.min(distinct.size(), start + LIST))
                    .toArray()));
        }
        return found;
    }

    public Map<Long, String> addresses(List<Long> ids) {
        Map<Long, String> found = new HashMap<>();
        inLists(ids, mapper::addresses).forEach(line -> found.put(line.id(), line.address()));
        return found;
    }

    private static ItemView at(ItemView asked, Property property) {
        if (asked.asOf() != null) return asked;
        return new ItemView(asked.propertyId(), asked.filter(), asked.sort(), asked.descending(), property.revision());
    }

    private long[] order(ItemView view) {
        ItemFilter filter = view.filter();
        String like = filter.q() == null ? null : "%" + filter.q().replaceAll("([\\\\%_])", "\\\\$1") + "%";
        Object[] among = filter.ids() == null ? null : filter.ids().toArray();
        return orders.get(
                view,
                key -> mapper.ids(key.propertyId(), filter, like, among, key.sort(), key.descending()).stream()
                        .mapToLong(Long::longValue)
                        .toArray());
    }

    private List<ItemRow> rows(Property property, long[] ids) {
        if (ids.length == 0) return List.of();
        Map<Long, Integer> place = new HashMap<>();
        for (int i = 0; i < ids.length; i++) place.put(ids[i], i);
        Map<Long, List<ItemRow.Flaw>> flaws = new HashMap<>();
        for (ItemMapper.FlawLine flaw : mapper.flaws(boxed(ids))) {
            flaws.computeIfAbsent(flaw.itemId(), id -> new ArrayList<>())
                    .add(new ItemRow.Flaw(flaw.field(), flaw.kind(), flaw.evidence()));
        }
        return mapper.lines(boxed(ids)).stream()
                .map(line -> row(line, property, flaws.getOrDefault(line.id(), List.of())))
                .sorted(Comparator.comparing(row -> place.get(row.id())))
                .toList();
    }

    private static ItemRow row(ItemLine line, Property property, List<ItemRow.Flaw> flaws) {
        Standard standard = property.standard();
        Words words = Words.in(property.language());
        Phrase keyword = line.keyword() == null ? null : Phrase.of(line.keyword(), words);
        ItemRow.Aim aim = line.targetItem() == null
                ? null
                : new ItemRow.Aim(
                        line.keywordId(), line.keyword(), line.volume(), line.byHand(), line.score(), line.reason());
        return new ItemRow(
                line.id(),
                line.address(),
                line.section(),
                line.status(),
                line.obstacle(),
                line.h1(),
                line.h1Count(),
                line.canonical(),
                line.robots(),
                line.price(),
                line.depth(),
                line.linksIn(),
                cell(
                        line.titleCaptured(),
                        line.titleDraft(),
                        line.titleState(),
                        line.titleKept(),
                        standard.title(),
                        words,
                        keyword),
                cell(
                        line.descriptionCaptured(),
                        line.descriptionDraft(),
                        line.descriptionState(),
                        line.descriptionKept(),
                        standard.description(),
                        words,
                        keyword),
                cell(line.tagsCaptured(), line.tagsDraft(), line.tagsState(), line.tagsKept(), null, words, null),
                aim,
                flaws);
    }

    private static ItemRow.Cell cell(
            String captured,
            String draft,
            String state,
            String kept,
            Standard.TextLimits limits,
            Words words,
            Phrase keyword) {
        if (captured == null) return null;
        String text = draft == null ? captured : draft;
        Fit fit = limits == null ? null : Fit.of(text, limits);
        List<String> lacks = keyword == null || text.isBlank()
                ? List.of()
                : PhraseMatch.of(words.of(text), keyword).missing();
        return new ItemRow.Cell(captured, draft, state, kept, fit, lacks);
    }

    private static Object[] boxed(long[] ids) {
        return Arrays.stream(ids).boxed().toArray();
    }
}
