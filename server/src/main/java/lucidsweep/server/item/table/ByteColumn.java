package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.Arrays;

/** Small numbers of the rows of a table. */
final class ByteColumn {

    private byte[] values = new byte[1_024];

    /** @param value from 0 to 127 */
    void set(int row, int value) {
        if (row >= values.length) values = Arrays.copyOf(values, Math.max(row + 1, values.length * 2));
        values[row] = (byte) value;
    }

    int get(int row) {
        return values[row];
    }

    void write(TableOutput out, int size) throws IOException {
        out.writeBytes(values, size);
    }

    void read(TableInput in, int size) {
        values = in.readBytes(size);
    }
}
