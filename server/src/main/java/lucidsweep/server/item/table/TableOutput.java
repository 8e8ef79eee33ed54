package lucidsweep.server.item.table;

import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;

/** Writes the columns of a table one behind the other; {@link TableInput} reads them. */
final class TableOutput extends DataOutputStream {

    TableOutput(OutputStream out) {
        super(out);
    }

    /** Also with halves of characters, which UTF-8 has no bytes for. */
    void writeText(String text) throws IOException {
        writeInt(text.length());
        writeChars(text);
    }

    /** Writes the first of some numbers; who reads them knows how many. */
    void writeInts(int[] values, int count) throws IOException {
        for (int i = 0; i < count; i++) writeInt(values[i]);
    }

    void writeLongs(long[] values, int count) throws IOException {
        for (int i = 0; i < count; i++) writeLong(values[i]);
    }

    void writeFloats(float[] values, int count) throws IOException {
        for (int i = 0; i < count; i++) writeFloat(values[i]);
    }
}
