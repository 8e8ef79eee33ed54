package lucidsweep.server.item.capture;

import java.util.Arrays;
import lucidsweep.core.text.TextKey;

/**
 * The links of an item, taken apart from the lines in which they are stored: address, tab, link text, tab, where it stands.
 *
 * @param lines the UTF-8 of all lines
 * @param to the hashes of the addresses
 * @param texts where in the lines the text of each link begins and where it ends, two numbers a link
 */
record PageLinks(long item, byte[] lines, long[] to, int[] texts) {

    static PageLinks of(long item, byte[] lines) {
        long[] to = new long[64];
        int[] texts = new int[128];
        int count = 0;
        for (int start = 0; start < lines.length; count++) {
            if (count == to.length) {
                to = Arrays.copyOf(to, count * 2);
                texts = Arrays.copyOf(texts, count * 4);
            }
            int text = after(lines, '\t', start);
            int place = after(lines, '\t', text);
            to[count] = TextKey.exactHash(lines, start, text - 1);
            texts[2 * count] = text;
            texts[2 * count + 1] = place - 1;
            start = after(lines, '\n', place);
        }
        return new PageLinks(item, lines, Arrays.copyOf(to, count), texts);
    }

    private static int after(byte[] lines, char mark, int from) {
        int at = from;
        while (at < lines.length && lines[at] != mark) at++;
        return at + 1;
    }
}
