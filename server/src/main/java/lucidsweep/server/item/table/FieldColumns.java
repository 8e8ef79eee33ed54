package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.Arrays;

/** What is known of one field of all items. */
final class FieldColumns {

    final TextColumn text = new TextColumn();
    final IntColumn px = new IntColumn();
    final ByteColumn state = new ByteColumn();

    private long[] alike = new long[1_024];

    /** Made when it is first asked for. */
    private AlikeRows rows;

    /** @param field null where an item has no such field by nature */
    void set(int row, ItemTable.Cell field) {
        text.set(row, field == null ? null : field.text());
        px.set(row, field == null ? 0 : field.px());
        state.set(row, field == null ? 0 : ItemColumns.number(field.state()));
        if (row >= alike.length) alike = Arrays.copyOf(alike, Math.max(row + 1, alike.length * 2));
        alike[row] = field == null ? 0 : field.alike();
        if (rows != null) rows.set(row, alike[row]);
    }

    /** The rows by the hashes of their texts. */
    AlikeRows alike(int size) {
        if (rows == null) rows = new AlikeRows(alike, size);
        return rows;
    }

    void write(TableOutput out, int size) throws IOException {
        text.write(out, size);
        px.write(out, size);
        state.write(out, size);
        out.writeLongs(alike, size);
    }

    void read(TableInput in, int size) {
        text.read(in, size);
        px.read(in, size);
        state.read(in, size);
        alike = in.readLongs(size);
    }
}
