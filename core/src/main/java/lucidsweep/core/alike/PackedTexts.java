package lucidsweep.core.alike;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Many texts by number in little memory: a byte a letter for most scripts of the west. */
final class PackedTexts {

    private static final int BLOCK = 1 << 20;

    private final List<byte[]> blocks = new ArrayList<>();
    private int[] block = new int[1_024];
    private int[] from = new int[1_024];
    private int[] to = new int[1_024];
    private int used = BLOCK;
    private int size;

    void add(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        if (size == from.length) {
            block = Arrays.copyOf(block, size * 2);
            from = Arrays.copyOf(from, size * 2);
            to = Arrays.copyOf(to, size * 2);
        }
        if (blocks.isEmpty() || used + bytes.length > blocks.get(blocks.size() - 1).length) {
            blocks.add(new byte[Math.max(BLOCK, bytes.length)]);
            used = 0;
        }
        System.arraycopy(bytes, 0, blocks.get(blocks.size() - 1), used, bytes.length);
        block[size] = blocks.size() - 1;
        from[size] = used;
        used += bytes.length;
        to[size++] = used;
    }

    String get(int number) {
        return new String(blocks.get(block[number]), from[number], to[number] - from[number], StandardCharsets.UTF_8);
    }

    int size() {
        return size;
    }

    /** How many bytes of memory it takes. */
    long bytes() {
        return blocks.stream().mapToLong(block -> block.length).sum() + 12L * from.length;
    }
}
