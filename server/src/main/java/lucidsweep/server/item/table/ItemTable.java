package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.finding.Spread;
import lucidsweep.core.finding.Spreads;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.set.Trait;
import lucidsweep.server.item.draft.FieldId;

/**
 * What the items of one property are filtered, sorted and counted by, column by column in memory: about 300 bytes an item.
 * All of it is derived from the database and can be read anew at any time; the texts that tables show are read from there.
 */
final class ItemTable {

    private static final int NONE = -1;

    /** Sets of findings that no row has any more stay; in the worst case each row has one of its own. */
    private static final int SETS_A_ROW = 3;

    private static final Set<ItemSort> BY_FINDINGS = EnumSet.of(ItemSort.STAKE, ItemSort.FINDINGS);

    /** Where more rows than this share of all have changed, all are sorted anew. */
    private static final int FEW = 8;

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
    private int size;
    private long[] ids = new long[1_024];
    private final Dictionary sections = new Dictionary();
    private final Dictionary keywords = new Dictionary();
    private final IntColumn section = new IntColumn();
    private final IntColumn place = new IntColumn();
    private final IntColumn status = new IntColumn();
    private final IntColumn depth = new IntColumn();
    private final IntColumn linksIn = new IntColumn();
    private final IntColumn keyword = new IntColumn();
    private final Dictionary languages = new Dictionary();
    private final IntColumn language = new IntColumn();
    private float[] prices = new float[1_024];
    private float[] published = new float[1_024];
    private float[] modified = new float[1_024];
    private final TagColumn tags = new TagColumn();
    private final IntColumn findingSet = new IntColumn();
    private final FindingSets findingSets = new FindingSets();
    private final Places places = new Places();
    private float[][] stakes = new float[1_024][];
    private final LifeColumn lives = new LifeColumn();

    private double mostAtStake = NONE;
    private List<FindingCount> counted;

    private Map<Long, Group> groups;
    private Spreads spreads;
    private Map<Integer, Integer> foundAt;
    private Map<FindingLives.End, Integer> ended;
    private final BitSet indexable = new BitSet();
    private final TextColumn address = new TextColumn();
    private final TextColumn h1 = new TextColumn();
    /** Title, description and tags; of the fields behind them only how far their drafts are. */
    private final FieldColumns[] fields = {new FieldColumns(), new FieldColumns(), new FieldColumns()};

    private final ByteColumn[] moreStates = Stream.generate(ByteColumn::new)
            .limit(FieldId.FIELDS.size() - fields.length)
            .toArray(ByteColumn[]::new);

    private final Map<ItemSort, RowOrder> orders = new EnumMap<>(ItemSort.class);

    /** The rows that have changed since an order was last asked for. */
    private final Map<ItemSort, BitSet> unordered = new EnumMap<>(ItemSort.class);

    /** What is known of one field of all items. */
    private static final class FieldColumns {
        private final TextColumn text = new TextColumn();
        private final IntColumn px = new IntColumn();
        private final ByteColumn state = new ByteColumn();
        private long[] alike = new long[1_024];

        /** Made when it is first asked for. */
        private AlikeRows rows;

        private void set(int row, Cell field) {
            text.set(row, field == null ? null : field.text());
            px.set(row, field == null ? 0 : field.px());
            state.set(row, field == null ? 0 : number(field.state()));
            if (row >= alike.length) alike = Arrays.copyOf(alike, Math.max(row + 1, alike.length * 2));
            alike[row] = field == null ? 0 : field.alike();
            if (rows != null) rows.set(row, alike[row]);
        }

        private void write(TableOutput out, int size) throws IOException {
            text.write(out, size);
            px.write(out, size);
            state.write(out, size);
            out.writeLongs(alike, size);
        }

        private void read(TableInput in, int size) {
            text.read(in, size);
            px.read(in, size);
            state.read(in, size);
            alike = in.readLongs(size);
        }

        private AlikeRows rows(int size) {
            if (rows == null) rows = new AlikeRows(alike, size);
            return rows;
        }
    }

    /** What an item's place depends on from day to day. */
    private record Aged(int place, float published, float modified) {}

    /** Reads a table that was written on some day before. */
    static ItemTable read(TableInput in) {
        ItemTable table = new ItemTable();
        table.readColumns(in);
        table.age();
        return table;
    }

    private void readColumns(TableInput in) {
        size = in.readInt();
        ids = in.readLongs(size);
        sections.read(in);
        keywords.read(in);
        languages.read(in);
        for (IntColumn column : numbers()) column.read(in, size);
        prices = in.readFloats(size);
        published = in.readFloats(size);
        modified = in.readFloats(size);
        tags.read(in);
        findingSets.read(in);
        places.read(in);
        stakes = new float[size][];
        for (int row = 0; row < size; row++) {
            int count = in.readInt();
            if (count > 0) stakes[row] = in.readFloats(count);
        }
        lives.read(in, size);
        indexable.or(BitSet.valueOf(in.readLongs(in.readInt())));
        address.read(in, size);
        h1.read(in, size);
        for (FieldColumns field : fields) field.read(in, size);
        for (ByteColumn states : moreStates) states.read(in, size);
        for (int left = in.readInt(); left > 0; left--)
            orders.put(ItemSort.valueOf(in.readText()), RowOrder.read(in, size));
    }

    /** Writes all that {@link #read} needs, with the orders that were asked for. */
    synchronized void write(TableOutput out) throws IOException {
        out.writeInt(size);
        out.writeLongs(ids, size);
        sections.write(out);
        keywords.write(out);
        languages.write(out);
        for (IntColumn column : numbers()) column.write(out, size);
        out.writeFloats(prices, size);
        out.writeFloats(published, size);
        out.writeFloats(modified, size);
        tags.write(out);
        findingSets.write(out);
        places.write(out);
        for (int row = 0; row < size; row++) {
            int count = stakes[row] == null ? 0 : stakes[row].length;
            out.writeInt(count);
            out.writeFloats(stakes[row], count);
        }
        lives.write(out, size);
        long[] bits = indexable.toLongArray();
        out.writeInt(bits.length);
        out.writeLongs(bits, bits.length);
        address.write(out, size);
        h1.write(out, size);
        for (FieldColumns field : fields) field.write(out, size);
        for (ByteColumn states : moreStates) states.write(out, size);
        out.writeInt(orders.size());
        for (ItemSort sort : List.copyOf(orders.keySet())) {
            out.writeText(sort.name());
            order(sort).write(out);
        }
    }

    private List<IntColumn> numbers() {
        return List.of(section, place, status, depth, linksIn, keyword, language, findingSet);
    }

    /** Items are in other places by now, where those depend on how old items are. */
    private void age() {
        Map<Aged, Integer> numbers = new HashMap<>();
        for (int row = 0; row < size; row++) {
            if (Float.isNaN(published[row]) && Float.isNaN(modified[row])) continue;
            Aged aged = new Aged(place.get(row), published[row], modified[row]);
            place.set(
                    row, numbers.computeIfAbsent(aged, of -> places.number(of.place(), of.published(), of.modified())));
        }
    }

    /** Held by who reads rows anew to change them here. */
    Object refreshing() {
        return refreshing;
    }

    /** Adds a row; rows come in the order of their ids. */
    synchronized void add(Line line) {
        if (size == ids.length) ids = Arrays.copyOf(ids, Math.max(1_024, size * 2));
        ids[size] = line.id();
        set(size++, line);
    }

    /** Sets rows anew, adds those that are new, and brings the orders up to date. */
    synchronized void change(Collection<Line> lines) {
        BitSet changed = new BitSet();
        boolean added = false;
        for (Line line : lines) {
            int row = row(line.id());
            if (row < 0) {
                added |= append(line);
                continue;
            }
            set(row, line);
            changed.set(row);
        }
        if (added) {
            orders.clear();
            unordered.clear();
            return;
        }
        reorder(changed);
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
            int row = row(text.itemId());
            if (row < 0) continue;
            int place = FieldId.FIELDS.indexOf(text.field());
            if (place < fields.length) fields[place].set(row, text.cell());
            else moreStates[place - fields.length].set(row, number(text.cell().state()));
            if (text.field() == Field.TAGS) {
                tags.set(row, text.cell().text());
                spreads = null;
            }
            changed.set(row);
        }
        reorder(changed);
    }

    /** Sets what is found of items anew, and brings the orders up to date; items that are not in the table are passed over. */
    synchronized void found(Collection<FoundOnItem> some) {
        BitSet changed = new BitSet();
        for (FoundOnItem each : some) {
            int row = row(each.itemId());
            if (row < 0) continue;
            set(row, each.found());
            changed.set(row);
        }
        reorder(changed, BY_FINDINGS);
    }

    /**
     * Sets what is at stake with the items between two ids.
     *
     * @param parts by item, as {@link StakeParts} has it; nothing is at stake with the others
     */
    synchronized void staked(long first, long last, Map<Long, String> parts) {
        BitSet changed = new BitSet();
        for (int row = firstRow(first); row < size && ids[row] <= last; row++) {
            int findings = findingSets.set(findingSet.get(row)).size();
            float[] found = StakeParts.of(parts.get(ids[row]), findings);
            if (found == null && stakes[row] == null) continue;
            stakes[row] = found;
            changed.set(row);
        }
        forgetCounts();
        reorder(changed, BY_FINDINGS);
    }

    /** The first row whose id is not below one. */
    private int firstRow(long id) {
        int row = row(id);
        return row < 0 ? -row - 1 : row;
    }

    /** Whether it holds many more sets of findings than any of its rows has by now; one that is read anew does not. */
    synchronized boolean isOvergrown() {
        return findingSets.size() > SETS_A_ROW * size;
    }

    private void reorder(BitSet changed) {
        reorder(changed, EnumSet.allOf(ItemSort.class));
    }

    private void reorder(BitSet changed, Set<ItemSort> sorts) {
        for (ItemSort sort : orders.keySet())
            if (sorts.contains(sort))
                unordered.computeIfAbsent(sort, any -> new BitSet()).or(changed);
    }

    /** Sets the states of drafts; no order depends on them. */
    synchronized void move(Map<Field, long[]> texts, DraftState state) {
        texts.forEach((field, of) -> {
            int place = FieldId.FIELDS.indexOf(field);
            var column = place < fields.length ? fields[place].state : moreStates[place - fields.length];
            for (long id : of) {
                int row = row(id);
                if (row >= 0) column.set(row, number(state));
            }
        });
    }

    /**
     * The drafts of some items that are in one of some states, by field.
     *
     * @param items ids; those that are not in the table are passed over
     * @return ids in the order in which they came; no field without any
     */
    synchronized Map<Field, long[]> inState(long[] items, Set<DraftState> states) {
        int[] rows =
                Arrays.stream(items).mapToInt(this::row).filter(row -> row >= 0).toArray();
        boolean[] meant = new boolean[DraftState.values().length + 1];
        states.forEach(state -> meant[number(state)] = true);
        Map<Field, long[]> found = new EnumMap<>(Field.class);
        for (int place = 0; place < FieldId.FIELDS.size(); place++) {
            int field = place;
            long[] drafted = Arrays.stream(rows)
                    .filter(row -> meant[state(field, row)])
                    .mapToLong(row -> ids[row])
                    .toArray();
            if (drafted.length > 0) found.put(FieldId.FIELDS.get(place), drafted);
        }
        return found;
    }

    /** Adds a row behind all others; one whose place would be before others comes with the next reading of all. */
    private boolean append(Line line) {
        if (size > 0 && line.id() < ids[size - 1]) return false;
        add(line);
        return true;
    }

    private void set(int row, Line line) {
        address.set(row, line.address());
        h1.set(row, line.h1());
        section.set(row, sections.number(line.section()));
        place.set(row, places.number(line));
        status.set(row, line.status());
        depth.set(row, line.place().depth());
        linksIn.set(row, line.place().linksIn());
        language.set(row, languages.number(line.traits().language()));
        if (row >= prices.length) {
            prices = Arrays.copyOf(prices, Math.max(row + 1, prices.length * 2));
            published = Arrays.copyOf(published, prices.length);
            modified = Arrays.copyOf(modified, prices.length);
        }
        prices[row] = (float) line.traits().price();
        published[row] = (float) line.traits().publishedDay();
        modified[row] = (float) line.traits().changedDay();
        tags.set(row, line.cells()[2] == null ? null : line.cells()[2].text());
        keyword.set(row, line.keywordId() == null ? NONE : keywords.number(line.keywordId(), line.keyword()));
        indexable.set(row, line.indexable());
        set(row, line.found());
        for (int i = 0; i < fields.length; i++) fields[i].set(row, line.cells()[i]);
        for (int i = 0; i < moreStates.length; i++) {
            Cell cell = line.cells()[fields.length + i];
            moreStates[i].set(row, cell == null ? 0 : number(cell.state()));
        }
    }

    private void set(int row, Found found) {
        findingSet.set(row, findingSets.number(found.marks()));
        if (row >= stakes.length) stakes = Arrays.copyOf(stakes, Math.max(row + 1, stakes.length * 2));
        stakes[row] = found.stakes();
        lives.set(row, found.life());
        forgetCounts();
    }

    private void forgetCounts() {
        mostAtStake = NONE;
        counted = null;
        groups = null;
        spreads = null;
        foundAt = null;
        ended = null;
    }

    synchronized int size() {
        return size;
    }

    /**
     * The ids that a filter means, in an order; items without a value come last either way.
     *
     * @param set who belongs to the filter's set; null where it has none
     */
    synchronized long[] ids(ItemFilter filter, Predicate<SetMember> set, ItemSort sort, boolean descending) {
        BitSet wanted = wanted(filter, set);
        RowOrder order = order(sort);
        long[] found = new long[wanted.cardinality()];
        int at = 0;
        int withValue = sort == ItemSort.KEYWORD ? firstWithoutKeyword(order) : size;
        if (descending) {
            for (int i = withValue - 1; i >= 0; i--) if (wanted.get(order.row(i))) found[at++] = ids[order.row(i)];
            for (int i = size - 1; i >= withValue; i--) if (wanted.get(order.row(i))) found[at++] = ids[order.row(i)];
        } else {
            for (int i = 0; i < size; i++) if (wanted.get(order.row(i))) found[at++] = ids[order.row(i)];
        }
        return found;
    }

    /** The same in ascending order. */
    synchronized long[] ascendingIds(ItemFilter filter, Predicate<SetMember> set) {
        return wanted(filter, set).stream().mapToLong(row -> ids[row]).sorted().toArray();
    }

    private BitSet wanted(ItemFilter filter, Predicate<SetMember> set) {
        BitSet wanted = wanted(filter);
        if (set != null) {
            Member member = new Member();
            keep(wanted, row -> set.test(member.at(row)));
        }
        return wanted;
    }

    /** The ids that belong to a set, in their order. */
    synchronized long[] members(Predicate<SetMember> set) {
        Member member = new Member();
        long[] found = new long[size];
        int count = 0;
        for (int row = 0; row < size; row++) if (set.test(member.at(row))) found[count++] = ids[row];
        return Arrays.copyOf(found, count);
    }

    /** By item, which of some sets it belongs to: bit by bit, the first set in the lowest. */
    synchronized long[] memberships(long[] items, List<Predicate<SetMember>> sets) {
        Member member = new Member();
        long[] found = new long[items.length];
        for (int i = 0; i < items.length; i++) {
            int row = row(items[i]);
            if (row < 0) continue;
            member.at(row);
            for (int set = 0; set < sets.size(); set++) if (sets.get(set).test(member)) found[i] |= 1L << set;
        }
        return found;
    }

    /** A row as sets see it; one for all rows in turn. */
    private final class Member implements SetMember {
        private int row;

        private Member at(int row) {
            this.row = row;
            return this;
        }

        @Override
        public long id() {
            return ids[row];
        }

        @Override
        public String address() {
            return address.text(row);
        }

        @Override
        public String section() {
            return sections.name(section.get(row));
        }

        @Override
        public String language() {
            return languages.name(language.get(row));
        }

        @Override
        public String tags() {
            return fields[2].text.text(row);
        }

        @Override
        public String keyword() {
            return keyword.get(row) == NONE ? "" : keywords.name(keyword.get(row));
        }

        @Override
        public double price() {
            return prices[row];
        }

        @Override
        public double publishedDay() {
            return published[row];
        }

        @Override
        public double changedDay() {
            return modified[row];
        }

        @Override
        public List<String> titlePatterns() {
            return findingSets.titled(findingSet.get(row)).stream()
                    .map(Trait::value)
                    .toList();
        }

        @Override
        public boolean indexable() {
            return indexable.get(row);
        }

        @Override
        public boolean hasFinding(Field field, String check) {
            for (Mark mark : findingSets.set(findingSet.get(row))) {
                if (mark.field() == field && mark.check().equals(check)) return true;
            }
            return false;
        }
    }

    private RowOrder order(ItemSort sort) {
        BitSet changed = unordered.remove(sort);
        if (changed != null && changed.cardinality() > size / FEW) orders.remove(sort);
        else if (changed != null)
            orders.computeIfPresent(sort, (key, order) -> order.after(changed, plainComparator(key)));
        return orders.computeIfAbsent(sort, key -> RowOrder.of(size, comparator(key)));
    }

    private int firstWithoutKeyword(RowOrder order) {
        int from = 0;
        int to = size;
        while (from < to) {
            int middle = (from + to) >>> 1;
            if (keyword.get(order.row(middle)) == NONE) to = middle;
            else from = middle + 1;
        }
        return from;
    }

    synchronized Items.Counts counts() {
        int aimed = 0;
        int withFindings = 0;
        double[] atStake = new double[3];
        for (int row = 0; row < size; row++) {
            if (keyword.get(row) != NONE) aimed++;
            if (!indexable.get(row) || findingSet.get(row) == 0) continue;
            withFindings++;
            for (int i = 0; stakes[row] != null && i < stakes[row].length; i++) atStake[i % 3] += stakes[row][i];
        }
        Map<DraftState, Integer> drafts = new EnumMap<>(DraftState.class);
        List<Field> drafted = new ArrayList<>();
        for (int field = 0; field < FieldId.FIELDS.size(); field++) {
            int[] counts = new int[DraftState.values().length + 1];
            for (int row = 0; row < size; row++) counts[state(field, row)]++;
            for (DraftState state : DraftState.values()) drafts.merge(state, counts[number(state)], Integer::sum);
            if (counts[0] < size) drafted.add(FieldId.FIELDS.get(field));
        }
        Stake stake = new Stake(atStake[0], atStake[1], atStake[2]);
        return new Items.Counts(size, indexable.cardinality(), aimed, withFindings, stake, drafts, drafted);
    }

    synchronized List<Items.Section> sections() {
        int[] counts = new int[sections.size()];
        int[] open = new int[sections.size()];
        for (int row = 0; row < size; row++) {
            counts[section.get(row)]++;
            if (indexable.get(row)) open[section.get(row)]++;
        }
        List<Items.Section> found = new ArrayList<>();
        for (int i = 0; i < counts.length; i++) {
            if (counts[i] > 0) found.add(new Items.Section(sections.name(i), counts[i], open[i]));
        }
        found.sort(Comparator.comparing(Items.Section::items).reversed().thenComparing(Items.Section::section));
        return found;
    }

    /** By language as the markup of items says it ("" where it does not), how many indexable items there are. */
    synchronized Map<String, Integer> languages() {
        Map<String, Integer> counts = new HashMap<>();
        for (int row = indexable.nextSetBit(0); row >= 0; row = indexable.nextSetBit(row + 1))
            counts.merge(languages.name(language.get(row)), 1, Integer::sum);
        return counts;
    }

    /** Findings that count, and that of not being indexable, by field, kind, what they share, and section. */
    synchronized List<FindingCount> findingCounts() {
        if (counted == null) counted = counted(groups());
        return counted;
    }

    /** How findings that share nothing lie over what else their items have in common. */
    synchronized Spreads spreads() {
        if (spreads == null) spreads = spread();
        return spreads;
    }

    /** The same of the items of a set. */
    synchronized Items.SetFindings findingsOf(Predicate<SetMember> set) {
        Member member = new Member();
        BitSet members = new BitSet(size);
        for (int row = 0; row < size; row++) members.set(row, set.test(member.at(row)));
        int open = 0;
        int withFindings = 0;
        double clicks = 0;
        for (int row = members.nextSetBit(0); row >= 0; row = members.nextSetBit(row + 1)) {
            if (!indexable.get(row)) continue;
            open++;
            if (findingSet.get(row) != 0) withFindings++;
            clicks += clicksAtStake(row);
        }
        return new Items.SetFindings(open, withFindings, clicks, counted(grouped(members::get)));
    }

    private Map<Long, Group> groups() {
        if (groups == null) groups = grouped(row -> true);
        return groups;
    }

    /** Rows with findings, by their findings, their place and whether they are indexable. */
    private Map<Long, Group> grouped(IntPredicate rows) {
        Map<Long, Group> groups = new LinkedHashMap<>();
        for (int row = 0; row < size; row++) {
            if (findingSet.get(row) == 0 || !rows.test(row)) continue;
            int first = row;
            groups.computeIfAbsent(key(row), any -> new Group(first)).add(linksIn.get(row), stakes[row]);
        }
        return groups;
    }

    private long key(int row) {
        return ((long) findingSet.get(row) << 32 | place.get(row)) << 1 | (indexable.get(row) ? 1 : 0);
    }

    private static boolean isIndexable(long key) {
        return (key & 1) == 1;
    }

    private Places.Place place(long key) {
        return places.place((int) (key >> 1));
    }

    private List<Mark> marks(long key) {
        return findingSets.set(number(key));
    }

    private List<Trait> titled(long key) {
        return findingSets.titled(number(key));
    }

    /** The number of its set of findings. */
    private static int number(long key) {
        return (int) (key >> 33);
    }

    private Spreads spread() {
        Map<String, List<Spread>> byCheck = new HashMap<>();
        int[] items = new int[places.size()];
        for (int row = indexable.nextSetBit(0); row >= 0; row = indexable.nextSetBit(row + 1)) items[place.get(row)]++;
        Map<Trait, Integer> all = places.byTrait(items);
        groups().forEach((key, group) -> {
            if (!isIndexable(key)) return;
            titled(key).forEach(trait -> all.merge(trait, group.items, Integer::sum));
            List<Mark> marks = marks(key);
            for (int i = 0; i < marks.size(); i++) {
                Check check = Checks.of(marks.get(i).field(), marks.get(i).check());
                if (check.isShared()) continue;
                byCheck.computeIfAbsent(check.id(), any -> new ArrayList<>()).add(spread(key, List.of(), group, i));
            }
        });
        if (!tags.isEmpty()) {
            int[] tagged = tags.counts(indexable);
            byCheck.replaceAll((check, some) -> byTag(check, some, tagged, all));
        }
        return new Spreads(byCheck, all);
    }

    private Spread spread(long key, List<Trait> own, Group group, int finding) {
        List<Trait> traits = new ArrayList<>(place(key).traits());
        // A title's pattern does not explain what is wrong with the title.
        if (marks(key).get(finding).field() != Field.TITLE) traits.addAll(titled(key));
        traits.addAll(own);
        return new Spread(place(key).section(), traits, group.items, group.links, group.stake(finding));
    }

    private record Tagged(long key, int tags) {}

    /** The same findings by the tags that tell where they are, too; how many items have those is added to all. */
    private List<Spread> byTag(String check, List<Spread> untold, int[] tagged, Map<Trait, Integer> all) {
        boolean[] having =
                findingSets.having(mark -> Check.id(mark.field(), mark.check()).equals(check));
        BitSet rows = (BitSet) indexable.clone();
        keep(rows, row -> having[findingSet.get(row)]);
        int[] telling = tags.telling(rows, tagged);
        if (telling.length == 0) return untold;
        for (int tag : telling) all.put(tags.trait(tag), tagged[tag]);
        Map<Tagged, Group> groups = new LinkedHashMap<>();
        for (int row = rows.nextSetBit(0); row >= 0; row = rows.nextSetBit(row + 1)) {
            int first = row;
            groups.computeIfAbsent(new Tagged(key(row), tags.mask(row, telling)), any -> new Group(first))
                    .add(linksIn.get(row), stakes[row]);
        }
        List<Spread> told = new ArrayList<>();
        groups.forEach((group, sum) -> told.add(
                spread(group.key, tags.traits(telling, group.tags), sum, findingSets.place(number(group.key), check))));
        return told;
    }

    private List<FindingCount> counted(Map<Long, Group> groups) {
        Map<FindingCount.Key, Sum> sums = new LinkedHashMap<>();
        groups.forEach((key, group) -> {
            boolean counted = isIndexable(key);
            String where = place(key).section();
            List<Mark> marks = marks(key);
            for (int i = 0; i < marks.size(); i++) {
                Mark mark = marks.get(i);
                if (!counted && mark.field() != Field.INDEXING) continue;
                FindingCount.Key found = new FindingCount.Key(mark.field(), mark.check(), mark.shared(), where);
                sums.computeIfAbsent(found, any -> new Sum(ids[group.first])).add(group, counted ? i : NONE);
            }
        });
        return sums.entrySet().stream()
                .map(entry -> entry.getValue().of(entry.getKey()))
                .sorted(Comparator.comparing(FindingCount::key))
                .toList();
    }

    /** Items with the same findings in one section. */
    private static final class Group {
        private final int first;
        private int items;
        private long links;
        private double[] stakes;

        private Group(int first) {
            this.first = first;
        }

        private void add(int moreLinks, float[] more) {
            items++;
            links += moreLinks;
            if (more == null) return;
            if (stakes == null) stakes = new double[more.length];
            for (int i = 0; i < more.length; i++) stakes[i] += more[i];
        }

        private Stake stake(int finding) {
            if (stakes == null || finding == NONE) return Stake.NONE;
            return new Stake(stakes[3 * finding], stakes[3 * finding + 1], stakes[3 * finding + 2]);
        }
    }

    /** Items with a finding. */
    private static final class Sum {
        private final long firstItem;
        private int items;
        private long links;
        private Stake stake = Stake.NONE;

        private Sum(long firstItem) {
            this.firstItem = firstItem;
        }

        private void add(Group group, int finding) {
            items += group.items;
            links += group.links;
            stake = stake.plus(group.stake(finding));
        }

        private FindingCount of(FindingCount.Key key) {
            return new FindingCount(key, items, links, stake, firstItem);
        }
    }

    /** The clicks at stake with the item that has most of them. */
    synchronized double mostAtStake() {
        if (mostAtStake == NONE) {
            mostAtStake = 0;
            for (int row = 0; row < size; row++) mostAtStake = Math.max(mostAtStake, clicksAtStake(row));
        }
        return mostAtStake;
    }

    private double clicksAtStake(int row) {
        return indexable.get(row) ? StakeParts.sum(stakes[row]).clicks() : 0;
    }

    /** All items with one of these texts, by hash, in the order of their ids; none of fields behind the tags, which are not known here. */
    synchronized List<Long> alikeItems(Field field, Collection<Long> keys) {
        if (FieldId.FIELDS.indexOf(field) >= fields.length) return List.of();
        BitSet rows = new BitSet();
        AlikeRows alike = fields[FieldId.FIELDS.indexOf(field)].rows(size);
        for (long key : keys) alike.forEach(key, rows::set);
        return rows.stream().mapToObj(row -> ids[row]).toList();
    }

    /** Indexable items that share one of these texts, by hash. */
    synchronized List<AlikeGroup> alikeGroups(Field field, Collection<Long> keys) {
        AlikeRows alike = fields[FieldId.FIELDS.indexOf(field)].rows(size);
        List<AlikeGroup> found = new ArrayList<>();
        for (long key : keys) {
            BitSet rows = new BitSet();
            alike.forEach(key, rows::set);
            rows.and(indexable);
            if (rows.cardinality() < 2) continue;
            found.add(new AlikeGroup(key, rows.cardinality(), ids[rows.nextSetBit(0)], ids[rows.length() - 1]));
        }
        return found;
    }

    /** About how many bytes of memory it takes. */
    long bytes() {
        long sum = 148L * size + address.bytes() + h1.bytes();
        for (FieldColumns field : fields) sum += field.text.bytes();
        return sum;
    }

    private int row(long id) {
        return Arrays.binarySearch(ids, 0, size, id);
    }

    private RowComparator comparator(ItemSort sort) {
        return switch (sort) {
            case ADDRESS -> address.comparator(size);
            case H1 -> h1.comparator(size);
            case TITLE -> fields[0].text.comparator(size);
            case DESCRIPTION -> fields[1].text.comparator(size);
            case TAGS -> fields[2].text.comparator(size);
            case TITLE_PX -> fields[0].px;
            case DESCRIPTION_PX -> fields[1].px;
            case LINKS_IN -> linksIn;
            case DEPTH -> depth;
            case STATUS -> status;
            case SECTION -> ranked(section, sections);
            case KEYWORD -> ranked(keyword, keywords);
            case STAKE -> (a, b) -> Double.compare(clicksAtStake(a), clicksAtStake(b));
            case FINDINGS ->
                (a, b) -> Integer.compare(
                        findingSets.set(findingSet.get(a)).size(),
                        findingSets.set(findingSet.get(b)).size());
        };
    }

    /** The same for few comparisons: those of texts are ready at once. */
    private RowComparator plainComparator(ItemSort sort) {
        return switch (sort) {
            case ADDRESS -> address.plainComparator();
            case H1 -> h1.plainComparator();
            case TITLE -> fields[0].text.plainComparator();
            case DESCRIPTION -> fields[1].text.plainComparator();
            case TAGS -> fields[2].text.plainComparator();
            default -> comparator(sort);
        };
    }

    private static RowComparator ranked(IntColumn column, Dictionary names) {
        int[] ranks = names.ranks();
        return (a, b) -> Integer.compare(rank(column.get(a), ranks), rank(column.get(b), ranks));
    }

    private static int rank(int number, int[] ranks) {
        return number == NONE ? Integer.MAX_VALUE : ranks[number];
    }

    private BitSet wanted(ItemFilter filter) {
        BitSet wanted = new BitSet(size);
        if (filter.ids() == null) wanted.set(0, size);
        else
            for (long id : filter.ids()) {
                int row = row(id);
                if (row >= 0) wanted.set(row);
            }
        if ("yes".equals(filter.indexable())) wanted.and(indexable);
        if ("no".equals(filter.indexable())) wanted.andNot(indexable);
        if (given(filter.section())) {
            int number = sections.find(filter.section());
            keep(wanted, row -> section.get(row) == number);
        }
        if (given(filter.check())) keepWithFinding(wanted, filter);
        if (filter.life() != null) keepByLife(wanted, filter);
        if (given(filter.state())) keepDrafted(wanted, filter);
        if (given(filter.target())) keepAimed(wanted, filter.target());
        if (given(filter.q())) {
            byte[] part = TextColumn.folded(filter.q());
            BitSet exactly = filter.q().contains("://") ? rowsAt(part) : new BitSet();
            if (exactly.isEmpty()) keep(wanted, row -> holds(row, part), true);
            else wanted.and(exactly);
        }
        return wanted;
    }

    /** Whoever asks for the whole address of an item means that item and not those below it. */
    private BitSet rowsAt(byte[] wanted) {
        BitSet rows = new BitSet();
        for (int row = 0; row < size; row++) if (address.is(row, wanted)) rows.set(row);
        return rows;
    }

    private interface RowTest {
        boolean test(int row);
    }

    private static void keep(BitSet rows, RowTest test) {
        keep(rows, test, false);
    }

    /** @param onAllCores for a test that takes long and may be asked by many threads */
    private static void keep(BitSet rows, RowTest test, boolean onAllCores) {
        long[] words = rows.toLongArray();
        IntStream all = IntStream.range(0, words.length);
        (onAllCores ? all.parallel() : all).forEach(i -> words[i] = kept(words[i], i * Long.SIZE, test));
        rows.and(BitSet.valueOf(words));
    }

    /** Of 64 rows from one on, a bit each, those that pass a test. */
    private static long kept(long rows, int from, RowTest test) {
        long kept = rows;
        for (long left = rows; left != 0; left &= left - 1) {
            int bit = Long.numberOfTrailingZeros(left);
            if (!test.test(from + bit)) kept &= ~(1L << bit);
        }
        return kept;
    }

    private void keepWithFinding(BitSet wanted, ItemFilter filter) {
        boolean any = filter.check().equals(ItemFilter.ANY);
        boolean[] having = findingSets.having(mark ->
                (any ? !mark.check().equals(NotIndexable.CODE) : mark.check().equals(filter.check()))
                        && (filter.field() == null || mark.field() == filter.field())
                        && (!given(filter.shared()) || mark.shared().equals(filter.shared())));
        keep(wanted, row -> having[findingSet.get(row)]);
        boolean ofHidden = filter.field() == Field.INDEXING || !any && Checks.isOfHidden(filter.check());
        if (!ofHidden) wanted.and(indexable);
    }

    /** What became of findings that count since a moment, in seconds since 1970. */
    synchronized FindingLives lives(int moment) {
        if (foundAt == null) foundAt = countFound();
        if (ended == null) ended = countEnded();
        return FindingLives.since(moment, foundAt, ended);
    }

    private Map<Integer, Integer> countFound() {
        Map<Integer, Integer> counts = new HashMap<>();
        for (int row = 0; row < size; row++) {
            boolean[] counting = findingSets.counting(findingSet.get(row), indexable.get(row));
            for (int i = 0; i < counting.length; i++)
                if (counting[i]) counts.merge(lives.since(row, i), 1, Integer::sum);
        }
        return counts;
    }

    private Map<FindingLives.End, Integer> countEnded() {
        Map<FindingLives.End, Integer> counts = new HashMap<>();
        for (int row = 0; row < size; row++) {
            int[] parts = lives.ended(row);
            for (int i = 0; i < parts.length; i += 2)
                counts.merge(new FindingLives.End(parts[i], ending(row, parts[i + 1])), 1, Integer::sum);
        }
        return counts;
    }

    private FindingLives.Ending ending(int row, int draftOf) {
        if (draftOf == LifeParts.FIXED) return FindingLives.Ending.FIXED;
        int state = state(draftOf, row);
        boolean delivered = state == number(DraftState.DELIVERED) || state == number(DraftState.LIVE);
        return delivered ? FindingLives.Ending.DELIVERED : FindingLives.Ending.DRAFTED;
    }

    /** Those with a finding of the filter's check that came after a moment, or came back. */
    private void keepByLife(BitSet wanted, ItemFilter filter) {
        boolean any = !given(filter.check()) || filter.check().equals(ItemFilter.ANY);
        keep(wanted, row -> {
            List<Mark> marks = findingSets.set(findingSet.get(row));
            boolean[] counting = findingSets.counting(findingSet.get(row), indexable.get(row));
            for (int i = 0; i < counting.length; i++) {
                Mark mark = marks.get(i);
                boolean meant = (any || mark.check().equals(filter.check()))
                        && (filter.field() == null || mark.field() == filter.field());
                if (meant && counting[i] && filter.life().has(lives.since(row, i))) return true;
            }
            return false;
        });
    }

    private void keepDrafted(BitSet wanted, ItemFilter filter) {
        int state = filter.state().equals(ItemFilter.ANY) ? 0 : number(DraftState.of(filter.state()));
        int only = filter.field() == null ? NONE : FieldId.FIELDS.indexOf(filter.field());
        keep(wanted, row -> {
            for (int field = 0; field < FieldId.FIELDS.size(); field++) {
                int found = state(field, row);
                if ((only == NONE || only == field) && (state > 0 ? found == state : found != 0)) return true;
            }
            return false;
        });
    }

    private void keepAimed(BitSet wanted, String target) {
        switch (target) {
            case "with" -> keep(wanted, row -> keyword.get(row) != NONE);
            case "without" -> keep(wanted, row -> keyword.get(row) == NONE);
            default -> {
                int number = keywords.find(Long.parseLong(target));
                keep(wanted, row -> number != NONE && keyword.get(row) == number);
            }
        }
    }

    private boolean holds(int row, byte[] part) {
        return address.contains(row, part)
                || fields[0].text.contains(row, part)
                || fields[1].text.contains(row, part)
                || fields[2].text.contains(row, part);
    }

    /** How far the draft of a field is, by its place among those that can be drafted. */
    private int state(int field, int row) {
        return field < fields.length ? fields[field].state.get(row) : moreStates[field - fields.length].get(row);
    }

    /** The number that stands for a state in its column; 0 for none. */
    private static int number(DraftState state) {
        return state == null ? 0 : state.ordinal() + 1;
    }

    private static boolean given(String text) {
        return text != null && !text.isEmpty();
    }
}
