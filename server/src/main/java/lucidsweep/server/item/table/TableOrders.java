package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The orders of the rows of a table that were asked for, brought up to date when they are asked for again. */
final class TableOrders {

    private static final Set<ItemSort> BY_FINDINGS = EnumSet.of(ItemSort.STAKE, ItemSort.FINDINGS);

    /** Where more rows than this share of all have changed, all are sorted anew. */
    private static final int FEW = 8;

    private final ItemColumns columns;
    private final Map<ItemSort, RowOrder> orders = new EnumMap<>(ItemSort.class);

    /** The rows that have changed since an order was last asked for. */
    private final Map<ItemSort, BitSet> unordered = new EnumMap<>(ItemSort.class);

    TableOrders(ItemColumns columns) {
        this.columns = columns;
    }

    /** Says that rows were added. */
    void forget() {
        orders.clear();
        unordered.clear();
    }

    /** Says that rows are others now. */
    void changed(BitSet rows) {
        orders.keySet().forEach(sort -> changed(sort, rows));
    }

    /** Says that something else is found of rows, or at stake with them. */
    void found(BitSet rows) {
        orders.keySet().stream().filter(BY_FINDINGS::contains).forEach(sort -> changed(sort, rows));
    }

    private void changed(ItemSort sort, BitSet rows) {
        unordered.computeIfAbsent(sort, any -> new BitSet()).or(rows);
    }

    RowOrder order(ItemSort sort) {
        BitSet changed = unordered.remove(sort);
        if (changed != null && changed.cardinality() > columns.size / FEW) orders.remove(sort);
        else if (changed != null)
            orders.computeIfPresent(sort, (key, order) -> order.after(changed, plainComparator(key)));
        return orders.computeIfAbsent(sort, key -> RowOrder.of(columns.size, comparator(key)));
    }

    private RowComparator comparator(ItemSort sort) {
        int size = columns.size;
        return switch (sort) {
            case ADDRESS -> columns.address.comparator(size);
            case H1 -> columns.h1.comparator(size);
            case TITLE -> columns.fields[0].text.comparator(size);
            case DESCRIPTION -> columns.fields[1].text.comparator(size);
            case TAGS -> columns.fields[2].text.comparator(size);
            case TITLE_PX -> columns.fields[0].px;
            case DESCRIPTION_PX -> columns.fields[1].px;
            case LINKS_IN -> columns.linksIn;
            case DEPTH -> columns.depth;
            case STATUS -> columns.status;
            case SECTION -> ranked(columns.section, columns.sections);
            case KEYWORD -> ranked(columns.keyword, columns.keywords);
            case STAKE -> (a, b) -> Double.compare(columns.clicksAtStake(a), columns.clicksAtStake(b));
            case FINDINGS ->
                (a, b) -> Integer.compare(
                        columns.findings(a).size(), columns.findings(b).size());
        };
    }

    /** The same for few comparisons: those of texts are ready at once. */
    private RowComparator plainComparator(ItemSort sort) {
        return switch (sort) {
            case ADDRESS -> columns.address.plainComparator();
            case H1 -> columns.h1.plainComparator();
            case TITLE -> columns.fields[0].text.plainComparator();
            case DESCRIPTION -> columns.fields[1].text.plainComparator();
            case TAGS -> columns.fields[2].text.plainComparator();
            default -> comparator(sort);
        };
    }

    private static RowComparator ranked(IntColumn column, Dictionary names) {
        int[] ranks = names.ranks();
        return (a, b) -> Integer.compare(rank(column.get(a), ranks), rank(column.get(b), ranks));
    }

    private static int rank(int number, int[] ranks) {
        return number == ItemColumns.NONE ? Integer.MAX_VALUE : ranks[number];
    }

    void write(TableOutput out) throws IOException {
        out.writeInt(orders.size());
        for (ItemSort sort : List.copyOf(orders.keySet())) {
            out.writeText(sort.name());
            order(sort).write(out);
        }
    }

    void read(TableInput in) {
        for (int left = in.readInt(); left > 0; left--)
            orders.put(ItemSort.valueOf(in.readText()), RowOrder.read(in, columns.size));
    }
}
