package lucidsweep.server.item.capture;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/**
 * The different texts of the links to one item, the first few of them, each cut where it is long. They are packed, a length
 * and its bytes each: those of hundreds of thousands of items are held at once.
 */
final class LinkTexts {

    private static final int MAX = 30;
    private static final int LONGEST = 100;
    private static final byte[] NONE = new byte[0];

    private byte[] packed = NONE;
    private int size;
    private int count;

    /** Adds a text, the UTF-8 of which stands in a range, unless it is there or there are enough. */
    void add(byte[] utf8, int from, int end) {
        if (count == MAX || from == end) return;
        int to = cut(utf8, from, end);
        if (contains(utf8, from, to)) return;
        int length = to - from;
        int needed = size + 1 + length;
        if (needed > packed.length) packed = Arrays.copyOf(packed, needed + needed / 2);
        packed[size] = (byte) length;
        System.arraycopy(utf8, from, packed, size + 1, length);
        size = needed;
        count++;
    }

    /** Where a text ends that is no longer than allowed and has no letter cut in two. */
    private static int cut(byte[] utf8, int from, int end) {
        if (end - from <= LONGEST) return end;
        int to = from + LONGEST;
        while ((utf8[to] & 0xC0) == 0x80) to--;
        return to;
    }

    private boolean contains(byte[] utf8, int from, int to) {
        for (int at = 0; at < size; at += 1 + packed[at]) {
            if (packed[at] == to - from && Arrays.equals(packed, at + 1, at + 1 + packed[at], utf8, from, to))
                return true;
        }
        return false;
    }

    /** All of them, one a line. */
    @Override
    public String toString() {
        StringBuilder lines = new StringBuilder(size);
        for (int at = 0; at < size; at += 1 + packed[at]) {
            if (at > 0) lines.append('\n');
            lines.append(new String(packed, at + 1, packed[at], StandardCharsets.UTF_8));
        }
        return lines.toString();
    }
}
