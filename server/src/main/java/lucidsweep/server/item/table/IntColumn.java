package lucidsweep.server.item.table;

import java.io.IOException;
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

    void write(TableOutput out, int size) throws IOException {
        out.writeInts(values, size);
    }

    void read(TableInput in, int size) {
        values = in.readInts(size);
    }

    @Override
    public int compare(int a, int b) {
        return Integer.compare(values[a], values[b]);
    }
}
