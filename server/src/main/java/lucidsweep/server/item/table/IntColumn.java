package lucidsweep.server.item.table;

import java.util.Arrays;

/** The numbers of one column. */
final class IntColumn implements RowComparator {

    private int[] values = new int[1_024];

    void set(int row, int value) {
        if (row >= values.length) values = Arrays.copyOf(values, Math.max(row + 1, values.length * 2));
        values[row] = value;
    }

    int get(int row) {
        return values[row];
    }

    @Override
    public int compare(int a, int b) {
        return Integer.compare(values[a], values[b]);
    }
}
