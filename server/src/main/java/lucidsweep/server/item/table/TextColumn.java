package lucidsweep.server.item.table;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/**
 * The texts of one column in lower case, to be searched and sorted. They lie one behind the other as UTF-8, each with its length
 * before it: as arrays of their own those of 500,000 rows would take half as much memory again.
 */
final class TextColumn {

    private static final byte[] NONE = {};
    private static final int NOWHERE = -1;
    private static final int BITS = 20;
    private static final int BLOCK = 1 << BITS;
    private static final int FIRST_BLOCK = 1 << 12;
    private static final int LENGTH_BYTES = 4;

    private int[] places = new int[64];
    private List<byte[]> blocks = new ArrayList<>();

    /** Where the next text goes in the last block. */
    private int end = BLOCK;

    private long used;

    /** How many bytes no row points to any more. */
    private long wasted;

    TextColumn() {
        Arrays.fill(places, NOWHERE);
    }

    static byte[] folded(String text) {
        return text == null || text.isEmpty()
                ? NONE
                : text.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    }

    void set(int row, String text) {
        if (row >= places.length) {
            int before = places.length;
            places = Arrays.copyOf(places, Math.max(row + 1, before * 2));
            Arrays.fill(places, before, places.length, NOWHERE);
        }
        byte[] folded = folded(text);
        int length = length(row);
        if (places[row] != NOWHERE) wasted += length + LENGTH_BYTES;
        places[row] = folded.length == 0 ? NOWHERE : append(folded, 0, folded.length);
        if (wasted > BLOCK && wasted > used / 2) compact();
    }

    private int append(byte[] from, int start, int length) {
        int size = length + LENGTH_BYTES;
        byte[] block = blockWith(size);
        int place = (blocks.size() - 1) << BITS | end;
        for (int i = 0; i < LENGTH_BYTES; i++) block[end + i] = (byte) (length >>> 8 * i);
        System.arraycopy(from, start, block, end + LENGTH_BYTES, length);
        end += size;
        used += size;
        return place;
    }

    /** The last block, with room for so many bytes. The first one grows, so that a small table takes little. */
    private byte[] blockWith(int size) {
        if (blocks.isEmpty() || end + size > BLOCK) {
            blocks.add(new byte[Math.max(blocks.isEmpty() ? FIRST_BLOCK : BLOCK, size)]);
            end = 0;
        }
        int last = blocks.size() - 1;
        byte[] block = blocks.get(last);
        if (end + size <= block.length) return block;
        byte[] larger = Arrays.copyOf(block, Math.min(BLOCK, Math.max(end + size, 2 * block.length)));
        blocks.set(last, larger);
        return larger;
    }

    /** Lays all texts side by side again. */
    private void compact() {
        List<byte[]> before = blocks;
        int[] old = places.clone();
        blocks = new ArrayList<>();
        end = BLOCK;
        used = 0;
        wasted = 0;
        for (int row = 0; row < old.length; row++) {
            if (old[row] == NOWHERE) continue;
            byte[] block = before.get(old[row] >>> BITS);
            int at = old[row] & BLOCK - 1;
            places[row] = append(block, at + LENGTH_BYTES, length(block, at));
        }
    }

    private byte[] block(int row) {
        return places[row] == NOWHERE ? NONE : blocks.get(places[row] >>> BITS);
    }

    private int start(int row) {
        return places[row] == NOWHERE ? 0 : (places[row] & BLOCK - 1) + LENGTH_BYTES;
    }

    private int length(int row) {
        return places[row] == NOWHERE ? 0 : length(blocks.get(places[row] >>> BITS), places[row] & BLOCK - 1);
    }

    private static int length(byte[] block, int at) {
        int length = 0;
        for (int i = 0; i < LENGTH_BYTES; i++) length |= (block[at + i] & 0xFF) << 8 * i;
        return length;
    }

    /** The text of a row, in small letters. */
    String text(int row) {
        return new String(block(row), start(row), length(row), StandardCharsets.UTF_8);
    }

    /** Whether a text is another, which is folded already. */
    boolean is(int row, byte[] text) {
        int start = start(row);
        return Arrays.equals(block(row), start, start + length(row), text, 0, text.length);
    }

    /** Whether a text holds another, which is folded already. */
    boolean contains(int row, byte[] part) {
        if (part.length == 0) return true;
        byte[] text = block(row);
        int start = start(row);
        byte first = part[0];
        for (int i = start, last = start + length(row) - part.length; i <= last; i++) {
            if (text[i] == first && Arrays.equals(text, i, i + part.length, part, 0, part.length)) return true;
        }
        return false;
    }

    /**
     * Compares rows by their texts, code point by code point. What all texts begin with, such as the host of addresses, is
     * skipped, and the eight bytes after it are compared at once: most pairs differ there.
     *
     * @param size how many rows there are
     */
    RowComparator comparator(int size) {
        int skip = commonStart(size);
        long[] heads = new long[size];
        for (int row = 0; row < size; row++) heads[row] = head(row, skip);
        RowComparator plain = plainComparator();
        return (a, b) -> {
            int compared = Long.compareUnsigned(heads[a], heads[b]);
            return compared != 0 ? compared : plain.compare(a, b);
        };
    }

    /** The same order, for few comparisons: it is ready at once. */
    RowComparator plainComparator() {
        return (a, b) -> {
            int first = start(a);
            int second = start(b);
            return Arrays.compareUnsigned(block(a), first, first + length(a), block(b), second, second + length(b));
        };
    }

    private int commonStart(int size) {
        if (size == 0) return 0;
        byte[] text = block(0);
        int start = start(0);
        int common = length(0);
        for (int row = 1; row < size && common > 0; row++) {
            int other = start(row);
            int shorter = Math.min(common, length(row));
            int differs = Arrays.mismatch(text, start, start + common, block(row), other, other + shorter);
            if (differs >= 0) common = Math.min(common, differs);
        }
        return common;
    }

    private long head(int row, int skip) {
        byte[] text = block(row);
        int start = start(row);
        int end = start + length(row);
        long head = 0;
        for (int i = start + skip; i < start + skip + 8; i++) head = head << 8 | (i < end ? text[i] & 0xFF : 0);
        return head;
    }

    void write(TableOutput out, int size) throws IOException {
        out.writeInts(places, size);
        out.writeInt(blocks.size());
        for (byte[] block : blocks) {
            out.writeInt(block.length);
            out.writeBytes(block, block.length);
        }
        out.writeInt(end);
        out.writeLong(used);
        out.writeLong(wasted);
    }

    void read(TableInput in, int size) {
        places = in.readInts(size);
        for (int left = in.readInt(); left > 0; left--) blocks.add(in.readBytes(in.readInt()));
        end = in.readInt();
        used = in.readLong();
        wasted = in.readLong();
    }

    /** About how many bytes of memory it takes. */
    long bytes() {
        long sum = (long) places.length * Integer.BYTES;
        for (byte[] block : blocks) sum += block.length;
        return sum;
    }
}
