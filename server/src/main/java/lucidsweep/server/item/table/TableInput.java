package lucidsweep.server.item.table;

import java.nio.ByteBuffer;

/** Reads what {@link TableOutput} wrote, in the same order. */
final class TableInput {

    private final ByteBuffer from;

    TableInput(ByteBuffer from) {
        this.from = from;
    }

    int readInt() {
        return from.getInt();
    }

    boolean readBoolean() {
        return from.get() != 0;
    }

    long readLong() {
        return from.getLong();
    }

    String readText() {
        char[] text = new char[from.getInt()];
        from.asCharBuffer().get(text);
        skip((long) text.length * Character.BYTES);
        return new String(text);
    }

    byte[] readBytes(int count) {
        byte[] values = new byte[count];
        from.get(values);
        return values;
    }

    int[] readInts(int count) {
        int[] values = new int[count];
        from.asIntBuffer().get(values);
        skip((long) count * Integer.BYTES);
        return values;
    }

    long[] readLongs(int count) {
        long[] values = new long[count];
        from.asLongBuffer().get(values);
        skip((long) count * Long.BYTES);
        return values;
    }

    float[] readFloats(int count) {
        float[] values = new float[count];
        from.asFloatBuffer().get(values);
        skip((long) count * Float.BYTES);
        return values;
    }

    private void skip(long bytes) {
        from.position(from.position() + (int) bytes);
    }
}
