package lucidsweep.server.item.table;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;

/** The texts of one column in lower case, to be searched and sorted; as bytes of UTF-8, which take little room. */
final class TextColumn {

    private static final byte[] NONE = {};

    private byte[][] texts = new byte[1_024][];

    static byte[] folded(String text) {
        return text == null || text.isEmpty()
                ? NONE
                : text.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    }

    void set(int row, String text) {
        if (row >= texts.length) texts = Arrays.copyOf(texts, Math.max(row + 1, texts.length * 2));
        texts[row] = folded(text);
    }

    /** The text of a row, in small letters. */
    String text(int row) {
        return new String(texts[row], StandardCharsets.UTF_8);
    }

    /** Whether a text is another, which is folded already. */
    boolean is(int row, byte[] text) {
        return Arrays.equals(texts[row], text);
    }

    /** Whether a text holds another, which is folded already. */
    boolean contains(int row, byte[] part) {
        byte[] text = texts[row];
        if (part.length == 0) return true;
        byte first = part[0];
        for (int i = 0, last = text.length - part.length; i <= last; i++) {
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
        for (int row = 0; row < size; row++) heads[row] = head(texts[row], skip);
        return (a, b) -> {
            int compared = Long.compareUnsigned(heads[a], heads[b]);
            return compared != 0 ? compared : Arrays.compareUnsigned(texts[a], texts[b]);
        };
    }

    /** The same order, for few comparisons: it is ready at once. */
    RowComparator plainComparator() {
        return (a, b) -> Arrays.compareUnsigned(texts[a], texts[b]);
    }

    private int commonStart(int size) {
        if (size == 0) return 0;
        int common = texts[0].length;
        for (int row = 1; row < size && common > 0; row++) {
            int differs = Arrays.mismatch(texts[0], 0, common, texts[row], 0, Math.min(common, texts[row].length));
            if (differs >= 0) common = Math.min(common, differs);
        }
        return common;
    }

    private static long head(byte[] text, int skip) {
        long head = 0;
        for (int i = skip; i < skip + 8; i++) head = head << 8 | (i < text.length ? text[i] & 0xFF : 0);
        return head;
    }

    /** About how many bytes of memory it takes. */
    long bytes(int size) {
        long sum = 0;
        for (int row = 0; row < size; row++) sum += 24 + texts[row].length;
        return sum;
    }
}
