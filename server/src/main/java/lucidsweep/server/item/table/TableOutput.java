package lucidsweep.server.item.table;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.FloatBuffer;
import java.nio.IntBuffer;
import java.nio.LongBuffer;

/**
 * Writes the columns of a table one behind the other; {@link TableInput} reads them. What is written goes out a block at a time,
 * and many numbers are copied at once: a table has tens of millions, and one by one they take five times as long.
 */
final class TableOutput {

    private final OutputStream to;
    private final ByteBuffer block = ByteBuffer.allocate(1 << 16);

    TableOutput(OutputStream to) {
        this.to = to;
    }

    void writeInt(int value) throws IOException {
        room(Integer.BYTES).putInt(value);
    }

    void writeBoolean(boolean value) throws IOException {
        room(Byte.BYTES).put((byte) (value ? 1 : 0));
    }

    void writeLong(long value) throws IOException {
        room(Long.BYTES).putLong(value);
    }

    /** Also with halves of characters, which UTF-8 has no bytes for. */
    void writeText(String text) throws IOException {
        writeInt(text.length());
        for (int i = 0; i < text.length(); i++) room(Character.BYTES).putChar(text.charAt(i));
    }

    /** Writes the first of some numbers; who reads them knows how many. */
    void writeBytes(byte[] values, int count) throws IOException {
        flush();
        to.write(values, 0, count);
    }

    void writeInts(int[] values, int count) throws IOException {
        for (int at = 0; at < count; ) {
            IntBuffer ints = room(Integer.BYTES).asIntBuffer();
            int some = Math.min(ints.remaining(), count - at);
            ints.put(values, at, some);
            at += some;
            skip(some * Integer.BYTES);
        }
    }

    void writeLongs(long[] values, int count) throws IOException {
        for (int at = 0; at < count; ) {
            LongBuffer longs = room(Long.BYTES).asLongBuffer();
            int some = Math.min(longs.remaining(), count - at);
            longs.put(values, at, some);
            at += some;
            skip(some * Long.BYTES);
        }
    }

    void writeFloats(float[] values, int count) throws IOException {
        for (int at = 0; at < count; ) {
            FloatBuffer floats = room(Float.BYTES).asFloatBuffer();
            int some = Math.min(floats.remaining(), count - at);
            floats.put(values, at, some);
            at += some;
            skip(some * Float.BYTES);
        }
    }

    /** Hands over what is left in the block. */
    void flush() throws IOException {
        to.write(block.array(), 0, block.position());
        block.clear();
    }

    /** The block, with room for so many bytes at least. */
    private ByteBuffer room(int bytes) throws IOException {
        if (block.remaining() < bytes) flush();
        return block;
    }

    private void skip(int bytes) {
        block.position(block.position() + bytes);
    }
}
