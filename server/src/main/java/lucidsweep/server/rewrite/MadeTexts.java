package lucidsweep.server.rewrite;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The texts that an edit makes, by item, so that what was previewed is shown and applied without being worked out again. They
 * lie one behind the other as UTF-8: those of 500,000 titles take some 40 MB.
 */
final class MadeTexts {

    /** Longer ones are worked out again, in bytes. */
    static final int MAX_BYTES = 64_000_000;

    private static final int BLOCK = 1 << 16;

    private final List<byte[]> blocks = new ArrayList<>();
    private long[] ids = new long[256];
    private int[] ends = new int[256];
    private int count;
    private int bytes;
    private boolean whole = true;

    /** Adds the new text of an item; items come in the order of their ids. */
    void add(long itemId, String text) {
        if (!whole) return;
        byte[] added = text.getBytes(StandardCharsets.UTF_8);
        if (bytes + added.length > MAX_BYTES) {
            whole = false;
            blocks.clear();
            return;
        }
        if (count == ids.length) {
            ids = Arrays.copyOf(ids, count * 2);
            ends = Arrays.copyOf(ends, count * 2);
        }
        append(added);
        ids[count] = itemId;
        ends[count++] = bytes;
    }

    private void append(byte[] added) {
        for (int from = 0; from < added.length; ) {
            int at = bytes % BLOCK;
            if (at == 0) blocks.add(new byte[BLOCK]);
            int some = Math.min(BLOCK - at, added.length - from);
            System.arraycopy(added, from, blocks.get(blocks.size() - 1), at, some);
            bytes += some;
            from += some;
        }
    }

    /** Whether every text that was added is here. */
    boolean isWhole() {
        return whole;
    }

    /** How much memory they take, in bytes. */
    int weight() {
        return blocks.size() * BLOCK + ids.length * 12;
    }

    long[] ids() {
        return Arrays.copyOf(ids, count);
    }

    /**
     * The text of an item.
     *
     * @return null where none was added
     */
    String of(long itemId) {
        int place = whole ? Arrays.binarySearch(ids, 0, count, itemId) : -1;
        if (place < 0) return null;
        int start = place == 0 ? 0 : ends[place - 1];
        byte[] text = new byte[ends[place] - start];
        for (int done = 0; done < text.length; ) {
            int at = (start + done) % BLOCK;
            int some = Math.min(BLOCK - at, text.length - done);
            System.arraycopy(blocks.get((start + done) / BLOCK), at, text, done, some);
            done += some;
        }
        return new String(text, StandardCharsets.UTF_8);
    }
}
