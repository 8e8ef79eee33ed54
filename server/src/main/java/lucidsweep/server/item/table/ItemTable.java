package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import lucidsweep.core.finding.Spreads;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetMember;
import lucidsweep.server.item.draft.FieldId;

/**
 * What the items of one property are filtered, sorted and counted by, column by column in memory: about 300 bytes an item.
 * All of it is derived from the database and can be read anew at any time; the texts that tables show are read from there.
 */
final class ItemTable {

    private static final double UNKNOWN = -1;

    /** Sets of findings that no row has any more stay; in the worst case each row has one of its own. */
    private static final int SETS_A_ROW = 3;

    /** A row as it is read. */
    record Line(
            long id,
            String address,
            String section,
            int status,
            boolean indexable,
            String h1,
            Place place,
            Traits traits,
            Cell[] cells,
            Long keywordId,
            String keyword,
            Found found) {}

    /** Where an item stands in its site. */
    record Place(int depth, int linksIn) {}

    /** What else sets tell items apart by; a price or day is NaN where it is not known. */
    record Traits(String language, double price, double publishedDay, double changedDay) {}

    /**
     * What is wrong with an item.
     *
     * @param stakes what fixing it could win, as {@link StakeParts} has it; null where nothing is at stake
     */
    record Found(List<Mark> marks, float[] stakes, LifeParts life) {

        /** Takes what is stored of stakes and life. */
        static Found of(List<Mark> marks, String stakes, String life) {
            return new Found(marks, StakeParts.of(stakes, marks.size()), LifeParts.of(life, marks));
        }
    }

    /**
     * A text in force with the state of its draft, null where it has none; no cell where an item has no such field by nature.
     * Of the fields behind title, description and tags only the state counts.
     */
    record Cell(String text, int px, long alike, DraftState state) {}

    private final Object refreshing = new Object();
    private final ItemColumns columns;
    private final TableOrders orders;
    private final TableFilter filters;
    private final TableFindings findings;
    private final TableLives lives;
    private double mostAtStake = UNKNOWN;

    ItemTable() {
        this(new ItemColumns());
    }

    private ItemTable(ItemColumns columns) {
        this.columns = columns;
        orders = new TableOrders(columns);
        filters = new TableFilter(columns);
        findings = new TableFindings(columns);
        lives = new TableLives(columns);
    }

    /** Reads a table that was written on some day before. */
    static ItemTable read(TableInput in) {
        ItemTable table = new ItemTable(ItemColumns.read(in));
        table.orders.read(in);
        return table;
    }

    /** Writes all that {@link #read} needs, with the orders that were asked for. */
    synchronized void write(TableOutput out) throws IOException {
        columns.write(out);
        orders.write(out);
    }

    /** Held by who reads rows anew to change them here. */
    Object refreshing() {
        return refreshing;
    }

    /** Adds a row; rows come in the order of their ids. */
    synchronized void add(Line line) {
        columns.add(line);
        forgetFound();
    }

    /** Sets rows anew, adds those that are new, and brings the orders up to date. */
    synchronized void change(Collection<Line> lines) {
        BitSet changed = new BitSet();
        boolean added = false;
        for (Line line : lines) {
            int row = columns.row(line.id());
            if (row < 0) {
                added |= append(line);
                continue;
            }
            columns.set(row, line);
            changed.set(row);
        }
        forgetFound();
        if (added) orders.forget();
        else orders.changed(changed);
    }

    /** Adds a row behind all others; one whose place would be before others comes with the next reading of all. */
    private boolean append(Line line) {
        if (columns.size > 0 && line.id() < columns.ids[columns.size - 1]) return false;
        columns.add(line);
        return true;
    }

    /**
     * A text that is in force from now on.
     *
     * @param cell with the state of its draft; null for none
     */
    record Rewritten(long itemId, Field field, Cell cell) {}

    /** Sets single texts anew, and brings the orders up to date; items that are not in the table are passed over. */
    synchronized void rewrite(Collection<Rewritten> texts) {
        BitSet changed = new BitSet();
        for (Rewritten text : texts) {
            int row = columns.row(text.itemId());
            if (row < 0) continue;
            int place = FieldId.FIELDS.indexOf(text.field());
            if (place < columns.fields.length) columns.fields[place].set(row, text.cell());
            else columns.states(place).set(row, ItemColumns.number(text.cell().state()));
            if (text.field() == Field.TAGS) {
                columns.tags.set(row, text.cell().text());
                findings.forgetSpreads();
            }
            changed.set(row);
        }
        lives.forget();
        orders.changed(changed);
    }

    /** Sets what is found of items anew, and brings the orders up to date; items that are not in the table are passed over. */
    synchronized void found(Collection<FoundOnItem> some) {
        BitSet changed = new BitSet();
        for (FoundOnItem each : some) {
            int row = columns.row(each.itemId());
            if (row < 0) continue;
            columns.set(row, each.found());
            changed.set(row);
        }
        forgetFound();
        orders.found(changed);
    }

    /**
     * Sets what is at stake with the items between two ids.
     *
     * @param parts by item, as {@link StakeParts} has it; nothing is at stake with the others
     */
    synchronized void staked(long first, long last, Map<Long, String> parts) {
        BitSet changed = new BitSet();
        for (int row = columns.firstRow(first); row < columns.size && columns.ids[row] <= last; row++) {
            float[] stakes = StakeParts.of(
                    parts.get(columns.ids[row]), columns.findings(row).size());
            if (stakes == null && columns.stakes[row] == null) continue;
            columns.stakes[row] = stakes;
            changed.set(row);
        }
        forgetFound();
        orders.found(changed);
    }

    private void forgetFound() {
        mostAtStake = UNKNOWN;
        findings.forget();
        lives.forget();
    }

    /** Sets the states of drafts; no order depends on them. */
    synchronized void move(Map<Field, long[]> texts, DraftState state) {
        texts.forEach((field, of) -> {
            ByteColumn states = columns.states(FieldId.FIELDS.indexOf(field));
            for (long id : of) {
                int row = columns.row(id);
                if (row >= 0) states.set(row, ItemColumns.number(state));
            }
        });
        lives.forget();
    }

    /** Whether it holds many more sets of findings than any of its rows has by now; one that is read anew does not. */
    synchronized boolean isOvergrown() {
        return columns.findingSets.size() > SETS_A_ROW * columns.size;
    }

    synchronized int size() {
        return columns.size;
    }

    /** About how many bytes of memory it takes. */
    long bytes() {
        return columns.bytes();
    }

    /**
     * The ids that a filter means, in an order; items without a value come last either way.
     *
     * @param set who belongs to the filter's set; null where it has none
     */
    synchronized long[] ids(ItemFilter filter, Predicate<SetMember> set, ItemSort sort, boolean descending) {
        BitSet wanted = wanted(filter, set);
        RowOrder order = orders.order(sort);
        long[] found = new long[wanted.cardinality()];
        int at = 0;
        int size = columns.size;
        int withValue = sort == ItemSort.KEYWORD ? firstWithoutKeyword(order) : size;
        if (descending) {
            for (int i = withValue - 1; i >= 0; i--)
                if (wanted.get(order.row(i))) found[at++] = columns.ids[order.row(i)];
            for (int i = size - 1; i >= withValue; i--)
                if (wanted.get(order.row(i))) found[at++] = columns.ids[order.row(i)];
        } else {
            for (int i = 0; i < size; i++) if (wanted.get(order.row(i))) found[at++] = columns.ids[order.row(i)];
        }
        return found;
    }

    private int firstWithoutKeyword(RowOrder order) {
        int from = 0;
        int to = columns.size;
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (columns.keyword.get(order.row(middle)) == ItemColumns.NONE) to = middle;
            else from = middle + 1;
        }
        return from;
    }

    /** The same in ascending order. */
    synchronized long[] ascendingIds(ItemFilter filter, Predicate<SetMember> set) {
        return wanted(filter, set).stream()
                .mapToLong(row -> columns.ids[row])
                .sorted()
                .toArray();
    }

    private BitSet wanted(ItemFilter filter, Predicate<SetMember> set) {
        BitSet wanted = filters.rows(filter);
        if (set != null) keep(wanted, set);
        return wanted;
    }

    private void keep(BitSet rows, Predicate<SetMember> set) {
        TableMember member = new TableMember(columns);
        RowTest.keep(rows, row -> set.test(member.at(row)));
    }

    /** The ids that belong to a set, in their order. */
    synchronized long[] members(Predicate<SetMember> set) {
        return rows(set).stream().mapToLong(row -> columns.ids[row]).toArray();
    }

    private BitSet rows(Predicate<SetMember> set) {
        BitSet rows = new BitSet(columns.size);
        rows.set(0, columns.size);
        keep(rows, set);
        return rows;
    }

    /** By item, which of some sets it belongs to: bit by bit, the first set in the lowest. */
    synchronized long[] memberships(long[] items, List<Predicate<SetMember>> sets) {
        TableMember member = new TableMember(columns);
        long[] found = new long[items.length];
        for (int i = 0; i < items.length; i++) {
            int row = columns.row(items[i]);
            if (row < 0) continue;
            member.at(row);
            for (int set = 0; set < sets.size(); set++) if (sets.get(set).test(member)) found[i] |= 1L << set;
        }
        return found;
    }

    /**
     * The drafts of some items that are in one of some states, by field.
     *
     * @param items ids; those that are not in the table are passed over
     * @return ids in the order in which they came; no field without any
     */
    synchronized Map<Field, long[]> inState(long[] items, Set<DraftState> states) {
        int[] rows = Arrays.stream(items)
                .mapToInt(columns::row)
                .filter(row -> row >= 0)
                .toArray();
        boolean[] meant = new boolean[DraftState.values().length + 1];
        states.forEach(state -> meant[ItemColumns.number(state)] = true);
        Map<Field, long[]> found = new EnumMap<>(Field.class);
        for (Field field : FieldId.FIELDS) {
            ByteColumn column = columns.states(FieldId.FIELDS.indexOf(field));
            long[] drafted = Arrays.stream(rows)
                    .filter(row -> meant[column.get(row)])
                    .mapToLong(row -> columns.ids[row])
                    .toArray();
            if (drafted.length > 0) found.put(field, drafted);
        }
        return found;
    }

    synchronized Items.Counts counts() {
        int aimed = 0;
        int withFindings = 0;
        double[] atStake = new double[3];
        for (int row = 0; row < columns.size; row++) {
            if (columns.keyword.get(row) != ItemColumns.NONE) aimed++;
            if (!columns.indexable.get(row) || columns.findingSet.get(row) == 0) continue;
            withFindings++;
            for (int i = 0; columns.stakes[row] != null && i < columns.stakes[row].length; i++)
                atStake[i % 3] += columns.stakes[row][i];
        }
        Map<DraftState, Integer> drafts = new EnumMap<>(DraftState.class);
        List<Field> drafted = new ArrayList<>();
        for (int field = 0; field < FieldId.FIELDS.size(); field++) {
            int[] counts = new int[DraftState.values().length + 1];
            for (int row = 0; row < columns.size; row++)
                counts[columns.states(field).get(row)]++;
            for (DraftState state : DraftState.values())
                drafts.merge(state, counts[ItemColumns.number(state)], Integer::sum);
            if (counts[0] < columns.size) drafted.add(FieldId.FIELDS.get(field));
        }
        Stake stake = new Stake(atStake[0], atStake[1], atStake[2]);
        return new Items.Counts(
                columns.size, columns.indexable.cardinality(), aimed, withFindings, stake, drafts, drafted);
    }

    synchronized List<Items.Section> sections() {
        int[] counts = new int[columns.sections.size()];
        int[] open = new int[columns.sections.size()];
        for (int row = 0; row < columns.size; row++) {
            counts[columns.section.get(row)]++;
            if (columns.indexable.get(row)) open[columns.section.get(row)]++;
        }
        List<Items.Section> found = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            if (counts[i] > 0) found.add(new Items.Section(columns.sections.name(i), counts[i], open[i]));
        }
        found.sort(Comparator.comparing(Items.Section::items).reversed().thenComparing(Items.Section::section));
        return found;
    }

    /** By language as the markup of items says it ("" where it does not), how many indexable items there are. */
    synchronized Map<String, Integer> languages() {
        Map<String, Integer> counts = new HashMap<>();
        for (int row = columns.indexable.nextSetBit(0); row >= 0; row = columns.indexable.nextSetBit(row + 1))
            counts.merge(columns.languages.name(columns.language.get(row)), 1, Integer::sum);
        return counts;
    }

    /** Findings that count, and that of not being indexable, by field, kind, what they share, and section. */
    synchronized List<FindingCount> findingCounts() {
        return findings.counts();
    }

    /** How findings that share nothing lie over what else their items have in common. */
    synchronized Spreads spreads() {
        return findings.spreads();
    }

    /** Findings of the items of a set counted. */
    synchronized Items.SetFindings findingsOf(Predicate<SetMember> set) {
        BitSet members = rows(set);
        int open = 0;
        int withFindings = 0;
        double clicks = 0;
        for (int row = members.nextSetBit(0); row >= 0; row = members.nextSetBit(row + 1)) {
            if (!columns.indexable.get(row)) continue;
            open++;
            if (columns.findingSet.get(row) != 0) withFindings++;
            clicks += columns.clicksAtStake(row);
        }
        return new Items.SetFindings(open, withFindings, clicks, findings.counts(members));
    }

    /** What became of findings that count since a moment, in seconds since 1970. */
    synchronized FindingLives lives(int moment) {
        return lives.since(moment);
    }

    /** The clicks at stake with the item that has most of them. */
    synchronized double mostAtStake() {
        if (mostAtStake == UNKNOWN) {
            mostAtStake = 0;
            for (int row = 0; row < columns.size; row++)
                mostAtStake = Math.max(mostAtStake, columns.clicksAtStake(row));
        }
        return mostAtStake;
    }

    /** All items with one of these texts, by hash, in the order of their ids; none of fields behind the tags, which are not known here. */
    synchronized List<Long> alikeItems(Field field, Collection<Long> keys) {
        if (FieldId.FIELDS.indexOf(field) >= columns.fields.length) return List.of();
        AlikeRows alike = alike(field);
        List<Long> found = new ArrayList<>();
        for (long key : keys) alike.forEach(key, row -> found.add(columns.ids[row]));
        Collections.sort(found);
        return found;
    }

    /** Indexable items that share one of these texts, by hash. */
    synchronized List<AlikeGroup> alikeGroups(Field field, Collection<Long> keys) {
        AlikeRows alike = alike(field);
        List<AlikeGroup> found = new ArrayList<>();
        for (long key : keys) {
            int[] group = {0, Integer.MAX_VALUE, 0};
            alike.forEach(key, row -> {
                if (!columns.indexable.get(row)) return;
                group[0]++;
                group[1] = Math.min(group[1], row);
                group[2] = Math.max(group[2], row);
            });
            if (group[0] > 1) found.add(new AlikeGroup(key, group[0], columns.ids[group[1]], columns.ids[group[2]]));
        }
        return found;
    }

    private AlikeRows alike(Field field) {
        return columns.fields[FieldId.FIELDS.indexOf(field)].alike(columns.size);
    }
}
