package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ObjLongConsumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import lucidsweep.core.finding.Spreads;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.set.SetMember;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.capture.ImportedRow;
import lucidsweep.server.item.capture.ImportedRows;
import lucidsweep.server.item.draft.CapturedParts;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.draft.FieldLines;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Conflict;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Lists, filters and sorts the items of a property. */
@Service
public class Items {

    private static final int CHUNK = 500;
    private static final int CONFLICTS_SHOWN = 50;
    private static final int TEXTS_AT_ONCE = 5_000;

    /** The database compares every row with every value of a list, so that long lists cost their square. */
    private static final int LIST = 200;

    private static final TypeReference<List<StoredFinding>> FINDINGS = new TypeReference<>() {};

    /** Orders take a thirty-second of the memory at most. */
    private static final long MAX_CACHED_IDS = Runtime.getRuntime().maxMemory() / 32 / Long.BYTES;

    private final ItemMapper mapper;
    private final DraftMapper texts;
    private final ImportedRows imports;
    private final ItemTables tables;
    private final ItemSets sets;
    private final SetStandards standards;
    private final PickedItems picked;
    private final Clients clients;
    private final JsonMapper json;

    /** The order of a table stays as it was while its rows are edited; only a new revision is worked out anew. */
    private final RecentlyUsed<ItemView, long[]> orders = new RecentlyUsed<>(MAX_CACHED_IDS, ids -> ids.length + 64);

    Items(
            ItemMapper mapper,
            DraftMapper texts,
            ImportedRows imports,
            ItemTables tables,
            ItemSets sets,
            SetStandards standards,
            PickedItems picked,
            Clients clients,
            JsonMapper json) {
        this.mapper = mapper;
        this.texts = texts;
        this.imports = imports;
        this.tables = tables;
        this.sets = sets;
        this.standards = standards;
        this.picked = picked;
        this.clients = clients;
        this.json = json;
    }

    /**
     * A stretch of a table.
     *
     * @param asOf the revision whose order is shown; ask with it again and the rows keep their places
     * @param revision of the property when the rows were read: a decision about them says it
     * @param mostAtStake the clicks a month at stake with the item of the property that has most of them
     */
    public record Slice(long total, long asOf, long revision, double mostAtStake, List<ItemRow> rows) {}

    /**
     * Figures of a property.
     *
     * @param aimed items with a target
     * @param withFindings indexable items with at least one finding
     * @param stake what fixing all findings could win
     * @param drafts how many drafts there are in each state that occurs
     * @param draftedFields the fields of which there are drafts
     */
    public record Counts(
            int items,
            int indexable,
            int aimed,
            int withFindings,
            Stake stake,
            Map<DraftState, Integer> drafts,
            List<Field> draftedFields) {}

    /**
     * What is found of a set.
     *
     * @param indexable how many of its items are indexable
     * @param withFindings how many of those have a finding
     * @param clicks a month at stake with them
     * @param counts as {@link #findingCounts} gives them
     */
    public record SetFindings(int indexable, int withFindings, double clicks, List<FindingCount> counts) {}

    /** A folder or shop section, and how many items it has, and how many of them are indexable. */
    public record Section(String section, int items, int indexable) {}

    public Slice slice(ItemView asked, int from, int count, ItemRow.Details details) {
        Property property = clients.property(asked.propertyId());
        ItemView view = at(asked, property);
        long[] ids = order(view);
        int start = Math.min(Math.max(0, from), ids.length);
        int end = Math.min(start + Math.min(Math.max(0, count), CHUNK), ids.length);
        return new Slice(
                ids.length,
                view.asOf(),
                property.revision(),
                tables.of(property.id()).mostAtStake(),
                rows(property, Arrays.copyOfRange(ids, start, end), details));
    }

    /** The ids that a filter means, ascending, which takes no sorting by what stands in a table. */
    public long[] ids(long propertyId, ItemFilter filter) {
        return tables.of(propertyId).ascendingIds(filter, members(ItemView.of(propertyId, filter)));
    }

    /**
     * The drafts of some items that are in one of some states, by field: told from memory, without reading the database.
     *
     * @param ids of items, ascending; those that are gone or of another property are passed over
     * @return ascending ids; no field without any
     */
    public Map<Field, long[]> inState(long propertyId, long[] ids, Set<DraftState> states) {
        return tables.of(propertyId).inState(ids, states);
    }

    /** The ids of a stretch of a table. */
    public long[] ids(ItemView asked, int from, int count) {
        long[] ids = order(at(asked, clients.property(asked.propertyId())));
        int start = Math.min(Math.max(0, from), ids.length);
        return Arrays.copyOfRange(ids, start, (int) Math.min((long) start + Math.max(0, count), ids.length));
    }

    /** Walks over all rows of a table, a few hundred at a time. */
    public void forEach(ItemView asked, Consumer<ItemRow> visit) {
        forEach(asked, 0, Integer.MAX_VALUE, ItemRow.Details.NONE, visit);
    }

    /** The same over a stretch of its rows. */
    public void forEach(ItemView asked, int from, int count, ItemRow.Details details, Consumer<ItemRow> visit) {
        Property property = clients.property(asked.propertyId());
        long[] ids = ids(asked, from, count);
        for (int start = 0; start < ids.length; start += CHUNK) {
            rows(property, Arrays.copyOfRange(ids, start, Math.min(ids.length, start + CHUNK)), details)
                    .forEach(visit);
        }
    }

    public ItemRow row(long id) {
        Long propertyId = mapper.propertyOf(id);
        if (propertyId == null) throw Refusal.notFound("there is no item " + id);
        return rows(clients.property(propertyId), new long[] {id}, new ItemRow.Details(true, false))
                .get(0);
    }

    public long propertyOf(long itemId) {
        Long propertyId = mapper.propertyOf(itemId);
        if (propertyId == null) throw Refusal.notFound("there is no item " + itemId);
        return propertyId;
    }

    /** Refuses an item of another property. */
    public void requireOf(long propertyId, long itemId) {
        if (IdRange.owner(itemId) != propertyId) {
            throw Refusal.notFound("there is no item " + itemId + " in this property");
        }
    }

    /** Refuses, with the texts on both sides, where any were changed meanwhile. */
    public void refuseChangedMeanwhile(List<Conflict> conflicts) {
        if (conflicts.isEmpty()) return;
        List<Conflict> some = conflicts.subList(0, Math.min(conflicts.size(), CONFLICTS_SHOWN));
        Map<Long, String> addresses =
                addresses(some.stream().map(Conflict::itemId).toList());
        throw Refusal.changedMeanwhile(
                conflicts.size(),
                some.stream().map(each -> each.at(addresses.get(each.itemId()))).toList());
    }

    public List<Section> sections(long propertyId) {
        return tables.of(propertyId).sections();
    }

    public Counts counts(long propertyId) {
        return tables.of(propertyId).counts();
    }

    /** Walks over all items of a property with what sweeps saw of them, in chunks by id. */
    public void forEachDetail(long propertyId, Consumer<List<ItemDetail>> visit) {
        int size = CHUNK / 5;
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<DraftMapper.Core> chunk;
        do {
            chunk = texts.cores(after, ids.last(), size);
            if (chunk.isEmpty()) return;
            long first = chunk.get(0).id();
            after = chunk.get(chunk.size() - 1).id();
            Details details = new Details(
                    texts.drafts(FieldId.first(first), FieldId.last(after)),
                    mapper.aims(first, after),
                    mapper.captures(chunk.stream().map(DraftMapper.Core::id).toArray()));
            visit.accept(details.of(chunk));
        } while (chunk.size() == size);
    }

    /** Walks over the titles of all items as they were captured. */
    public void forEachTitle(long propertyId, Consumer<String> visit) {
        forEachCore(
                propertyId,
                chunk -> chunk.forEach(item -> visit.accept(item.title().text())));
    }

    /** Walks over the tags of all items that have any by nature, as they are in force. */
    public void forEachTags(long propertyId, Consumer<String> visit) {
        forEachCore(propertyId, chunk -> {
            FieldLines lines =
                    lines(chunk.get(0).id(), chunk.get(chunk.size() - 1).id());
            for (DraftMapper.Core item : chunk) {
                FieldLine tags = lines.of(item, Field.TAGS);
                if (tags != null) visit.accept(tags.text());
            }
        });
    }

    private void forEachCore(long propertyId, Consumer<List<DraftMapper.Core>> visit) {
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<DraftMapper.Core> chunk;
        do {
            chunk = texts.cores(after, ids.last(), TEXTS_AT_ONCE);
            if (chunk.isEmpty()) return;
            after = chunk.get(chunk.size() - 1).id();
            visit.accept(chunk);
        } while (chunk.size() == TEXTS_AT_ONCE);
    }

    private FieldLines lines(long firstItem, long lastItem) {
        return new FieldLines(texts.drafts(FieldId.first(firstItem), FieldId.last(lastItem)));
    }

    /** The ids of all items of a property, gone ones too, ascending. */
    public long[] allIds(long propertyId) {
        return mapper.allIds(IdRange.of(propertyId)).stream()
                .mapToLong(Long::longValue)
                .toArray();
    }

    /** How many items of a property came after one, by their ids; 0 for all. */
    public int countAfter(long propertyId, long itemId) {
        IdRange ids = IdRange.of(propertyId);
        return mapper.countAfter(Math.max(itemId, ids.first() - 1), ids.last());
    }

    /** Those items, ascending. */
    public long[] idsAfter(long propertyId, long itemId) {
        IdRange ids = IdRange.of(propertyId);
        return mapper.idsAfter(Math.max(itemId, ids.first() - 1), ids.last()).stream()
                .mapToLong(Long::longValue)
                .toArray();
    }

    /** The item that came last; 0 where there is none. */
    public long lastId(long propertyId) {
        Long last = mapper.lastId(IdRange.of(propertyId));
        return last == null ? 0 : last;
    }

    /** The same of some items, in the order of their ids and without what sweeps saw. */
    public List<ItemDetail> details(long propertyId, long[] ids) {
        return details(ids, false);
    }

    /** The same with what is known of the site around them. */
    public List<ItemDetail> detailsInSite(long propertyId, long[] ids) {
        return details(ids, true);
    }

    private List<ItemDetail> details(long[] ids, boolean inSite) {
        if (ids.length == 0) return List.of();
        long[] sorted = ids.clone();
        Arrays.sort(sorted);
        if (IdRange.isDense(sorted)) {
            long first = sorted[0];
            long last = sorted[sorted.length - 1];
            Details details = new Details(
                    texts.drafts(FieldId.first(first), FieldId.last(last)), mapper.aims(first, last), List.of());
            if (inSite) details.with(mapper.siteNotes(first, last), mapper.linkedBy(first, last));
            List<DraftMapper.Core> cores = texts.coresBetween(first, last).stream()
                    .filter(core -> Arrays.binarySearch(sorted, core.id()) >= 0)
                    .toList();
            return details.of(cores);
        }
        List<ItemDetail> found = new ArrayList<>(ids.length);
        for (int start = 0; start < sorted.length; start += LIST) {
            Object[] some = boxed(Arrays.copyOfRange(sorted, start, Math.min(sorted.length, start + LIST)));
            Details details = new Details(texts.draftsOf(FieldId.ofAll(some)), mapper.aimsOf(some), List.of());
            if (inSite) details.with(mapper.siteNotesOf(some), mapper.linkedByOf(some));
            found.addAll(details.of(texts.coresOf(some)));
        }
        return found;
    }

    /** An item with what the last sweep saw of it. */
    public ItemDetail detailWithCapture(long id) {
        List<ItemDetail> found = detailsWithCapture(List.of(id));
        if (found.isEmpty()) throw Refusal.notFound("item " + id + " is gone");
        return found.get(0);
    }

    /** Some items with what the last sweep saw of them; those that are gone are left out. */
    public List<ItemDetail> detailsWithCapture(List<Long> ids) {
        List<ItemDetail> found = new ArrayList<>(ids.size());
        for (int start = 0; start < ids.size(); start += LIST) {
            Object[] some =
                    ids.subList(start, Math.min(ids.size(), start + LIST)).toArray();
            Details details =
                    new Details(texts.draftsOf(FieldId.ofAll(some)), mapper.aimsOf(some), mapper.captures(some));
            found.addAll(details.of(texts.coresOf(some)));
        }
        return found;
    }

    /** The titles and descriptions of the indexable items of a property whose ids lie between two, in their order. */
    public List<FieldLine> texts(long propertyId, long firstItem, long lastItem) {
        FieldLines lines = lines(firstItem, lastItem);
        return texts.coresBetween(firstItem, lastItem).stream()
                .filter(item -> item.noindexReason() == null)
                .flatMap(item -> Stream.of(lines.of(item, Field.TITLE), lines.of(item, Field.DESCRIPTION)))
                .toList();
    }

    /** What the last sweep saw of items, as JSON, by id. */
    public Map<Long, String> facts(List<Long> ids) {
        Map<Long, String> found = new HashMap<>();
        List<ItemMapper.Captured> captures = captures(ids);
        Map<Long, ImportedRow> rows =
                imports.of(captures.stream().map(ItemMapper.Captured::captureId).toList());
        for (ItemMapper.Captured captured : captures) {
            ImportedRow row = rows.get(captured.captureId());
            found.put(captured.itemId(), row == null ? captured.facts() : row.facts());
        }
        return found;
    }

    /** Rows that lie side by side are read as a stretch: in a list, each row is held against all of the ids. */
    private List<ItemMapper.Captured> captures(List<Long> ids) {
        long[] sorted =
                ids.stream().mapToLong(Long::longValue).sorted().distinct().toArray();
        if (sorted.length == 0 || !IdRange.isDense(sorted)) return inLists(ids, mapper::captures);
        return mapper.capturesBetween(sorted[0], sorted[sorted.length - 1]).stream()
                .filter(captured -> Arrays.binarySearch(sorted, captured.itemId()) >= 0)
                .toList();
    }

    /** The same with the sweep that saw it. */
    public Map<Long, PastCapture> lastCaptures(List<Long> ids) {
        Map<Long, PastCapture> found = new HashMap<>();
        List<ItemMapper.Captured> captures = captures(ids);
        Map<Long, PastCapture> past = new HashMap<>();
        pastCaptures(captures.stream().map(ItemMapper.Captured::captureId).toList())
                .forEach(capture -> past.put(capture.id(), capture));
        for (ItemMapper.Captured captured : captures) {
            PastCapture capture = past.get(captured.captureId());
            if (capture != null) found.put(captured.itemId(), capture);
        }
        return found;
    }

    /** What a sweep saw of an item, as JSON. */
    public record PastCapture(long id, long sweepId, String facts) {}

    public List<PastCapture> pastCaptures(List<Long> captureIds) {
        List<PastCapture> found = inLists(captureIds, mapper::crawledCaptures);
        imports.of(captureIds).forEach((id, row) -> found.add(new PastCapture(id, IdRange.owner(id), row.facts())));
        return found;
    }

    /** What is wrong with items, by id; those with nothing wrong are left out. */
    public Map<Long, List<StoredFinding>> findings(List<Long> ids) {
        Map<Long, List<StoredFinding>> found = new HashMap<>();
        inLists(ids, mapper::findingsOf)
                .forEach(line -> found.put(line.itemId(), json.readValue(line.found(), FINDINGS)));
        return found;
    }

    /** What fixing each finding of some items could win, by item and in the order of its findings. */
    public Map<Long, List<Stake>> stakes(Map<Long, List<StoredFinding>> findings) {
        Map<Long, String> parts = new HashMap<>();
        inLists(List.copyOf(findings.keySet()), mapper::stakesOf)
                .forEach(line -> parts.put(line.itemId(), line.parts()));
        Map<Long, List<Stake>> stakes = new HashMap<>();
        findings.forEach((id, some) -> stakes.put(id, StakeParts.list(parts.get(id), some.size())));
        return stakes;
    }

    /** Findings counted; those of items that are not indexable are left out, but for that finding itself. */
    public List<FindingCount> findingCounts(long propertyId) {
        return tables.of(propertyId).findingCounts();
    }

    /** How findings that share nothing lie over what else their items have in common. */
    public Spreads spreads(long propertyId) {
        return tables.of(propertyId).spreads();
    }

    /** Findings of a set counted. */
    public SetFindings findings(long propertyId, Predicate<SetMember> set) {
        return tables.of(propertyId).findingsOf(set);
    }

    /**
     * Another language than the property's that most of its items say they are in.
     *
     * @param code as tags begin: "de"
     * @param items how many say so, of all that say any
     */
    public record OtherLanguage(String code, int items, int all) {}

    /** The language that the property should rather be set to; empty where its own is right or nothing tells. */
    public Optional<OtherLanguage> otherLanguage(long propertyId) {
        Map<Language, Integer> counts = new HashMap<>();
        int all = 0;
        for (Map.Entry<String, Integer> said : tables.of(propertyId).languages().entrySet()) {
            if (said.getKey().isEmpty()) continue;
            all += said.getValue();
            counts.merge(Language.of(said.getKey()), said.getValue(), Integer::sum);
        }
        Language own = Language.of(clients.property(propertyId).language());
        for (Map.Entry<Language, Integer> each : counts.entrySet()) {
            boolean other = each.getKey() != own && !each.getKey().code().isEmpty();
            if (other && 2 * each.getValue() > all)
                return Optional.of(new OtherLanguage(each.getKey().code(), each.getValue(), all));
        }
        return Optional.empty();
    }

    /** What became of findings since a moment, in seconds since 1970. */
    public FindingLives lives(long propertyId, int moment) {
        return tables.of(propertyId).lives(moment);
    }

    /** Indexable items that share one of these texts, by hash. */
    public List<AlikeGroup> alikeGroups(long propertyId, Field field, Collection<Long> keys) {
        return tables.of(propertyId).alikeGroups(field, keys);
    }

    /** All items with one of these texts, by hash. */
    public List<Long> alikeItems(long propertyId, Field field, Collection<Long> keys) {
        return tables.of(propertyId).alikeItems(field, keys);
    }

    /** Has the table in memory, so that whoever looks at it next need not wait for it to be read. */
    public void prepare(long propertyId) {
        tables.of(propertyId);
    }

    /**
     * Puts the table on the disk, to have room for work that takes much memory.
     *
     * @return whether it was in use; {@link #prepare} brings it back
     */
    public boolean setAside(long propertyId) {
        return tables.setAside(propertyId);
    }

    /**
     * Where tables leave too little room for work on a property, puts those of all others on the disk, which takes less than a
     * second; they come back when they are asked for.
     *
     * @param bytes that the work may take
     */
    public void makeRoom(long propertyId, long bytes) {
        tables.makeRoom(propertyId, bytes);
    }

    /** Says that some items were changed: tables show them so from now on, and open pages are told. */
    public void changed(long propertyId, Collection<Long> ids) {
        tables.refresh(propertyId, ids);
        clients.touch(propertyId);
    }

    /** Says that drafts were written or taken away: tables have them from now on. Open pages are told when all of them are. */
    public void rewritten(long propertyId, List<Drafts.Change> changes) {
        tables.rewrite(propertyId, changes.stream().map(Items::rewritten).toList());
    }

    /** Says what was found of items: tables have it from now on. Open pages are told when all of it is there. */
    public void found(long propertyId, List<FoundOnItem> some) {
        tables.found(propertyId, some);
    }

    /**
     * Says what is at stake with the items between two ids: tables have it from now on.
     *
     * @param parts by item, as {@link StakeParts} has it; nothing is at stake with the others
     */
    public void staked(long propertyId, long first, long last, Map<Long, String> parts) {
        tables.staked(propertyId, first, last, parts);
    }

    private static ItemTable.Rewritten rewritten(Drafts.Change change) {
        FieldLine field = change.field();
        String text = change.draft() == null ? field.captured() : change.draft();
        ItemTable.Cell cell =
                new ItemTable.Cell(text, change.measure().px(), change.measure().alike(), change.state());
        return new ItemTable.Rewritten(field.itemId(), field.field(), cell);
    }

    /**
     * Says that drafts came to another state.
     *
     * @param texts the items whose drafts should, by field
     * @param moved how many did; where it were not all of them, they are read anew
     */
    public void moved(long propertyId, Map<Field, long[]> texts, DraftState state, int moved) {
        int wanted = texts.values().stream().mapToInt(ids -> ids.length).sum();
        if (moved == wanted) tables.move(propertyId, texts, state);
        else
            tables.refresh(
                    propertyId,
                    texts.values().stream()
                            .flatMapToLong(Arrays::stream)
                            .distinct()
                            .boxed()
                            .toList());
        clients.touch(propertyId);
    }

    /** The same of what may be lost in a kill, such as items of a sweep that is under way, and findings that are made up for. */
    public void appeared(long propertyId, Collection<Long> ids) {
        tables.refresh(propertyId, ids);
        clients.tell(propertyId);
    }

    /** The same where any item may have been changed. */
    public void changed(long propertyId) {
        tables.forget(propertyId);
        clients.touch(propertyId);
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

    /** Walks over the addresses of all items that are not gone. */
    public void forEachAddress(long propertyId, ObjLongConsumer<String> visit) {
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<ItemMapper.AddressOf> chunk;
        do {
            chunk = mapper.addressesAfter(after, ids.last(), CHUNK);
            for (ItemMapper.AddressOf line : chunk) {
                visit.accept(line.address(), line.id());
                after = line.id();
            }
        } while (chunk.size() == CHUNK);
    }

    /** Walks over the sections of all items that are not gone; "" for an item in none. */
    public void forEachSection(long propertyId, ObjLongConsumer<String> visit) {
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<ItemMapper.GroupOf> chunk;
        do {
            chunk = mapper.groupsAfter(after, ids.last(), CHUNK);
            for (ItemMapper.GroupOf line : chunk) {
                visit.accept(line.section(), line.id());
                after = line.id();
            }
        } while (chunk.size() == CHUNK);
    }

    /** The sections of some items, by id. */
    public Map<Long, String> sections(Collection<Long> ids) {
        Map<Long, String> found = new HashMap<>();
        inLists(List.copyOf(ids), mapper::sections).forEach(line -> found.put(line.id(), line.section()));
        return found;
    }

    public Map<Long, String> addresses(List<Long> ids) {
        Map<Long, String> found = new HashMap<>();
        inLists(ids, mapper::addresses).forEach(line -> found.put(line.id(), line.address()));
        return found;
    }

    private static ItemView at(ItemView asked, Property property) {
        if (asked.asOf() != null) return asked;
        return new ItemView(
                asked.propertyId(),
                asked.filter(),
                asked.sort(),
                asked.descending(),
                property.revision(),
                asked.among());
    }

    private long[] order(ItemView view) {
        return orders.get(view, key -> {
            long[] ids = tables.of(key.propertyId()).ids(key.filter(), members(key), key.sort(), key.descending());
            return key.among() == null ? ids : picked.among(key.among(), ids);
        });
    }

    /** What a view asks of items beyond what their table knows; null for nothing. */
    private Predicate<SetMember> members(ItemView view) {
        ItemFilter filter = view.filter();
        Predicate<SetMember> set = filter.set() == null ? null : sets.test(view.propertyId(), filter.set());
        if (filter.having() == null) return set;
        Predicate<SetMember> having = filter.having().test(ItemSets.today());
        return set == null ? having : set.and(having);
    }

    private List<ItemRow> rows(Property property, long[] ids, ItemRow.Details details) {
        if (ids.length == 0) return List.of();
        Map<Long, Integer> place = new HashMap<>();
        for (int i = 0; i < ids.length; i++) place.put(ids[i], i);
        List<Long> list = Arrays.stream(ids).boxed().toList();
        Map<Long, List<StoredFinding>> findings = findings(list);
        Map<Long, List<Stake>> stakes = stakes(findings);
        ItemStandards.Held held = standards.of(property).held(ids);
        Map<Long, DraftMapper.DraftRow> drafts = new HashMap<>();
        if (property.kind() == PropertyKind.WEBSITE) {
            inLists(list, some -> texts.draftsOf(FieldId.ofPages(some)))
                    .forEach(draft -> drafts.put(draft.id(), draft));
        }
        Map<Long, CapturedParts> parts = new HashMap<>();
        if (details.parts() && property.kind() == PropertyKind.WEBSITE) {
            inLists(list, texts::pagesOf).forEach(page -> parts.put(page.itemId(), new CapturedParts(page)));
        }
        ItemRowMaker maker = new ItemRowMaker(property, held, drafts, details.changes());
        return inLists(list, mapper::lines).stream()
                .map(line -> maker.row(
                        line,
                        parts.get(line.id()),
                        findings.getOrDefault(line.id(), List.of()),
                        stakes.getOrDefault(line.id(), List.of())))
                .sorted(Comparator.comparing(row -> place.get(row.id())))
                .toList();
    }

    private static Object[] boxed(long[] ids) {
        return Arrays.stream(ids).boxed().toArray();
    }
}
