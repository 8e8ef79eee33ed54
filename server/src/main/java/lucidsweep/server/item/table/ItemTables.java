package lucidsweep.server.item.table;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.locks.Lock;
import java.util.concurrent.locks.ReadWriteLock;
import java.util.concurrent.locks.ReentrantReadWriteLock;
import java.util.function.Consumer;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.PropertyRemovedForGood;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.job.BoundedPipeline;
import lucidsweep.server.memory.RecentlyUsed;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the tables of the properties in use in memory, as many as fit; a table is read when it is first asked for. */
@Service
class ItemTables {

    private static final int ROWS_AT_ONCE = 2_000;
    private static final int LIST = 200;

    /** The database, what was reported and all other work need the other half of the heap. */
    private static final long MOST = Runtime.getRuntime().maxMemory() / 2;

    /** Where more rows than this share of a table change, it is read anew as a whole. */
    private static final int FEW = 8;

    private static final TypeReference<List<Mark>> MARKS = new TypeReference<>() {};

    private final ItemMapper mapper;
    private final DraftMapper texts;
    private final KeptTables kept;
    private final JsonMapper json;
    private final RecentlyUsed<Long, ItemTable> tables =
            new RecentlyUsed<>(Runtime.getRuntime().maxMemory() / 3, ItemTable::bytes);

    /**
     * By property: changes hold it to read, whoever puts the table on the disk to write. No change may fall between its being
     * written and being let go.
     */
    private final Map<Long, ReadWriteLock> whole = new ConcurrentHashMap<>();

    /** What changed while the table of a property was being read. */
    private final Map<Long, Meanwhile> changedWhileRead = new ConcurrentHashMap<>();

    /** Rows to be read anew, and texts that were written, in their order. */
    private static final class Meanwhile {
        private final Set<Long> rows = ConcurrentHashMap.newKeySet();
        private final Queue<ItemTable.Rewritten> texts = new ConcurrentLinkedQueue<>();

        /** The table, once it is read: whoever still has one that was there before must not take this for its own. */
        private volatile ItemTable table;
    }

    ItemTables(ItemMapper mapper, DraftMapper texts, KeptTables kept, JsonMapper json) {
        this.mapper = mapper;
        this.kept = kept;
        this.texts = texts;
        this.json = json;
    }

    ItemTable of(long propertyId) {
        ItemTable table = tables.get(propertyId, this::read);
        Meanwhile meanwhile = changedWhileRead.get(propertyId);
        if (meanwhile == null || meanwhile.table != table) return table;
        synchronized (table.refreshing()) {
            if (!changedWhileRead.remove(propertyId, meanwhile)) return table;
            table.rewrite(meanwhile.texts);
        }
        refresh(propertyId, meanwhile.rows);
        return table;
    }

    /** By now nobody changes anything any more: whoever could asks for tables, and has ended before them. */
    @PreDestroy
    void keep() {
        tables.all().keySet().forEach(this::of);
        kept.keepAll(tables.all());
    }

    @EventListener
    void removed(PropertyRemovedForGood property) {
        forget(property.propertyId());
    }

    /** Says that anything may have changed. */
    void forget(long propertyId) {
        Lock changing = whole(propertyId).readLock();
        changing.lock();
        try {
            kept.drop(propertyId);
            tables.remove(propertyId);
        } finally {
            changing.unlock();
        }
    }

    /** Reads some rows anew, if the table is in use. */
    void refresh(long propertyId, Collection<Long> itemIds) {
        if (itemIds.isEmpty()) return;
        change(propertyId, meanwhile -> meanwhile.rows.addAll(itemIds), table -> {
            if (itemIds.size() > LIST && itemIds.size() > table.size() / FEW) forget(propertyId);
            else table.change(lines(itemIds));
        });
    }

    /** Sets texts that were just written, if the table is in use: they need not be read again. */
    void rewrite(long propertyId, List<ItemTable.Rewritten> texts) {
        change(propertyId, meanwhile -> meanwhile.texts.addAll(texts), table -> table.rewrite(texts));
    }

    /** Sets what was just found, if the table is in use. */
    void found(long propertyId, List<FoundOnItem> some) {
        changeInMemory(propertyId, meanwhile -> some.forEach(each -> meanwhile.rows.add(each.itemId())), table -> {
            table.found(some);
            if (table.isOvergrown()) forget(propertyId);
        });
    }

    /** Sets what is at stake with the items between two ids, if the table is in use; one that is being read may have passed them. */
    void staked(long propertyId, long first, long last, Map<Long, String> parts) {
        if (changedWhileRead.containsKey(propertyId)) forget(propertyId);
        changeInMemory(propertyId, meanwhile -> {}, table -> table.staked(first, last, parts));
    }

    /** Sets the states of drafts, if the table is in use. */
    void move(long propertyId, Map<Field, long[]> texts, DraftState state) {
        change(
                propertyId,
                meanwhile -> texts.values().forEach(ids -> Arrays.stream(ids).forEach(meanwhile.rows::add)),
                table -> table.move(texts, state));
    }

    /** Changes the table of a property, if it is in use. One that lies on the disk is brought back: it would count no longer. */
    private void change(long propertyId, Consumer<Meanwhile> note, Consumer<ItemTable> change) {
        if (kept.has(propertyId)) of(propertyId);
        changeInMemory(propertyId, note, change);
    }

    /**
     * Changes the table of a property, if it is in memory: whoever works out all findings may have put it on the disk to have room.
     *
     * @param note takes down the change for a table that is being read and may have passed it
     */
    private void changeInMemory(long propertyId, Consumer<Meanwhile> note, Consumer<ItemTable> change) {
        Lock changing = whole(propertyId).readLock();
        changing.lock();
        try {
            kept.drop(propertyId);
            // Noted first: a table that is being read now may have passed these rows, and one that was read by then is
            // there.
            Meanwhile meanwhile = changedWhileRead.get(propertyId);
            if (meanwhile != null) note.accept(meanwhile);
            ItemTable table = tables.get(propertyId);
            if (table == null) return;
            // One after another: a reading that began earlier would put back what a later one has brought.
            synchronized (table.refreshing()) {
                change.accept(table);
            }
        } finally {
            changing.unlock();
        }
    }

    /**
     * Puts a table on the disk, where it takes no memory until somebody asks for it.
     *
     * @return whether it was in use
     */
    boolean setAside(long propertyId) {
        Lock moving = whole(propertyId).writeLock();
        moving.lock();
        try {
            ItemTable table = tables.get(propertyId);
            if (table == null || changedWhileRead.containsKey(propertyId)) return false;
            kept.keep(propertyId, table);
            tables.remove(propertyId);
            return true;
        } finally {
            moving.unlock();
        }
    }

    /** Puts the tables of all other properties on the disk where they, and so many bytes more, would take most of the heap. */
    void makeRoom(long propertyId, long bytes) {
        Map<Long, ItemTable> all = tables.all();
        long taken = all.values().stream().mapToLong(ItemTable::bytes).sum();
        if (taken + bytes <= MOST) return;
        for (long other : all.keySet()) if (other != propertyId) setAside(other);
    }

    private ReadWriteLock whole(long propertyId) {
        return whole.computeIfAbsent(propertyId, any -> new ReentrantReadWriteLock());
    }

    private List<ItemTable.Line> lines(Collection<Long> itemIds) {
        List<ItemTable.Line> lines = new ArrayList<>(itemIds.size());
        Object[] all = itemIds.toArray();
        for (int start = 0; start < all.length; start += LIST) {
            Object[] ids = Arrays.copyOfRange(all, start, Math.min(all.length, start + LIST));
            Parts parts = new Parts();
            texts.draftsOf(FieldId.ofAll(ids)).forEach(parts::add);
            mapper.tableRows(ids).forEach(row -> lines.add(parts.add(row).line(row.item())));
        }
        return lines;
    }

    private ItemTable read(long propertyId) {
        // Noted before anything is read: whoever changes something later writes it there, too.
        Meanwhile meanwhile = new Meanwhile();
        changedWhileRead.put(propertyId, meanwhile);
        ItemTable known = kept.read(propertyId);
        meanwhile.table = known == null ? readAll(propertyId) : known;
        return meanwhile.table;
    }

    private ItemTable readAll(long propertyId) {
        ItemTable table = new ItemTable();
        BoundedPipeline.<Chunk>run(next -> readChunks(propertyId, next), chunk -> {
            Parts parts = new Parts();
            chunk.drafts.forEach(parts::add);
            chunk.aims.forEach(parts::add);
            chunk.findings.forEach(parts::add);
            chunk.stakes.forEach(parts::add);
            chunk.lives.forEach(parts::add);
            chunk.items.forEach(item -> table.add(parts.line(item)));
        });
        return table;
    }

    /** Some items as they are stored, with what belongs to them. */
    private record Chunk(
            List<ItemMapper.TableItem> items,
            List<DraftMapper.DraftRow> drafts,
            List<ItemMapper.Aimed> aims,
            List<ItemMapper.FindingLine> findings,
            List<ItemMapper.StakeLine> stakes,
            List<ItemMapper.LifeLine> lives) {}

    private void readChunks(long propertyId, Consumer<Chunk> next) {
        IdRange ids = IdRange.of(propertyId);
        long after = ids.first() - 1;
        List<ItemMapper.TableItem> items;
        do {
            items = mapper.tableItems(after, ids.last(), ROWS_AT_ONCE);
            if (items.isEmpty()) return;
            long first = items.get(0).id();
            after = items.get(items.size() - 1).id();
            next.accept(new Chunk(
                    items,
                    texts.drafts(FieldId.first(first), FieldId.last(after)),
                    mapper.aims(first, after),
                    mapper.findings(first, after),
                    mapper.stakes(first, after),
                    mapper.lives(first, after)));
        } while (items.size() == ROWS_AT_ONCE);
    }

    /** What belongs to the items of a chunk, by item. */
    private final class Parts {
        private final Map<Long, DraftMapper.DraftRow> drafts = new HashMap<>();
        private final Map<Long, ItemMapper.Aimed> aims = new HashMap<>();
        private final Map<Long, List<Mark>> findings = new HashMap<>();
        private final Map<Long, String> stakes = new HashMap<>();
        private final Map<Long, String> lives = new HashMap<>();

        private void add(DraftMapper.DraftRow field) {
            drafts.put(field.id(), field);
        }

        private void add(ItemMapper.Aimed aim) {
            aims.put(aim.itemId(), aim);
        }

        private void add(ItemMapper.FindingLine line) {
            findings.put(line.itemId(), json.readValue(line.found(), MARKS));
        }

        private void add(ItemMapper.LifeLine line) {
            lives.put(line.itemId(), line.life());
        }

        private void add(ItemMapper.StakeLine line) {
            stakes.put(line.itemId(), line.parts());
        }

        private Parts add(ItemMapper.TableRow row) {
            long id = row.item().id();
            if (row.keywordId() != null) add(new ItemMapper.Aimed(id, row.keywordId(), row.phrase()));
            if (row.found() != null) add(new ItemMapper.FindingLine(id, row.found()));
            if (row.parts() != null) add(new ItemMapper.StakeLine(id, row.parts()));
            if (row.life() != null) add(new ItemMapper.LifeLine(id, row.life()));
            return this;
        }

        private ItemTable.Line line(ItemMapper.TableItem item) {
            ItemMapper.Aimed aim = aims.get(item.id());
            List<Mark> marks = findings.getOrDefault(item.id(), List.of());
            return new ItemTable.Line(
                    item.id(),
                    item.address(),
                    item.section(),
                    item.status(),
                    item.indexable(),
                    item.h1(),
                    new ItemTable.Place(item.depth(), item.linksIn()),
                    new ItemTable.Traits(
                            item.traits().language(),
                            item.traits().amount(),
                            item.traits().publishedDay(),
                            item.traits().changedDay()),
                    cells(item),
                    aim == null ? null : aim.keywordId(),
                    aim == null ? null : aim.phrase(),
                    ItemTable.Found.of(marks, stakes.get(item.id()), lives.getOrDefault(item.id(), "")));
        }

        private ItemTable.Cell[] cells(ItemMapper.TableItem item) {
            ItemTable.Cell[] cells = new ItemTable.Cell[FieldId.FIELDS.size()];
            for (int place = 0; place < cells.length; place++) {
                Field field = FieldId.FIELDS.get(place);
                cells[place] = switch (field) {
                    case TITLE -> cell(item.id(), field, item.title());
                    case DESCRIPTION -> cell(item.id(), field, item.description());
                    case TAGS -> cell(item.id(), field, item.tags());
                    default -> state(item.id(), field);
                };
            }
            return cells;
        }

        private ItemTable.Cell state(long item, Field field) {
            DraftMapper.DraftRow own = drafts.get(FieldId.of(item, field));
            return own == null ? null : new ItemTable.Cell(null, 0, 0, own.state());
        }

        private ItemTable.Cell cell(long item, Field field, ItemMapper.Measured captured) {
            if (captured.text() == null) return null;
            DraftMapper.DraftRow own = drafts.get(FieldId.of(item, field));
            if (own == null) return new ItemTable.Cell(captured.text(), captured.px(), captured.alike(), null);
            return new ItemTable.Cell(
                    own.text() == null ? captured.text() : own.text(),
                    own.px() == null ? captured.px() : own.px(),
                    own.alike() == null ? captured.alike() : own.alike(),
                    own.state());
        }
    }
}
