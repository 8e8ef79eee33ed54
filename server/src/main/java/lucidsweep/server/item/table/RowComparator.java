package lucidsweep.server.item.table;

/** Compares two rows of an {@link ItemTable} by their places. */
@FunctionalInterface
interface RowComparator {

    int compare(int a, int b);
}
