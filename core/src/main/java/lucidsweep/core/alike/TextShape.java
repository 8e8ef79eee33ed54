package lucidsweep.core.alike;

import java.util.Arrays;

/**
 * The words of a text in their order, with places and numbers left open, so that texts have the same shape which differ in
 * those only.
 *
 * <pre>{@code "Sea cave tour at Gull Cove, 2026"   // sea, cave, tour, at, a place, a number }</pre>
 */
final class TextShape {

    /** As a slot: none but the places and numbers. */
    static final int NO_SLOT = -1;

    /** What is longer says no more. */
    private static final int MAX_CHARS = 4_000;

    private static final int MIN_PLAIN = 3;
    private static final long OPEN = 1;
    private static final long STEP = 0x9E3779B97F4A7C15L;

    private static final int BETWEEN = -1;
    private static final int ASCII = 0x80;
    private static final byte[] FOLDED_ASCII = new byte[ASCII];

    static {
        for (int c = 0; c < ASCII; c++) FOLDED_ASCII[c] = (byte) foldedAny(c);
    }

    private final String text;
    private final long[] words;
    private final int[] starts;
    private final int[] ends;
    private final int size;
    private final int plain;
    private final long hash;
    private final long wordSum;

    private TextShape(String text, long[] words, int[] starts, int[] ends, int size) {
        this.text = text;
        this.words = words;
        this.starts = starts;
        this.ends = ends;
        this.size = size;
        int count = 0;
        long sum = 0;
        for (int i = 0; i < size; i++) {
            if (!isOpen(words[i])) count++;
            sum += mixed(words[i] + i * STEP);
        }
        plain = count;
        hash = mixed(sum);
        wordSum = sum;
    }

    static TextShape of(String whole, PlaceMask places) {
        String text = whole.length() > MAX_CHARS ? whole.substring(0, MAX_CHARS) : whole;
        long[] words = new long[16];
        int[] starts = new int[16];
        int[] ends = new int[16];
        int count = 0;
        for (int at = 0; at < text.length(); ) {
            int start = at;
            long word = 0;
            boolean digits = true;
            for (int c; at < text.length(); at += Character.charCount(c)) {
                c = text.codePointAt(at);
                int letter = folded(c);
                if (letter == BETWEEN) break;
                word = word * 31 + letter;
                digits &= isDigit(c);
            }
            if (at == start) {
                at += Character.charCount(text.codePointAt(at));
                continue;
            }
            if (count == words.length) {
                words = Arrays.copyOf(words, count * 2);
                starts = Arrays.copyOf(starts, count * 2);
                ends = Arrays.copyOf(ends, count * 2);
            }
            words[count] = digits ? OPEN : mixed(word);
            starts[count] = start;
            ends[count++] = at;
        }
        return opened(text, words, starts, ends, count, places);
    }

    /** Puts one open place where the words of a place's name stand. */
    private static TextShape opened(String text, long[] words, int[] starts, int[] ends, int count, PlaceMask places) {
        int size = 0;
        for (int i = 0; i < count; size++) {
            int length = places == null ? 0 : places.length(words, count, i);
            words[size] = length > 0 ? OPEN : words[i];
            starts[size] = starts[i];
            ends[size] = ends[i + Math.max(0, length - 1)];
            i += Math.max(1, length);
        }
        return new TextShape(text, words, starts, ends, size);
    }

    /** The hashes of the words of a name. */
    static long[] hashes(String name) {
        TextShape shape = of(name, null);
        return Arrays.copyOf(shape.words, shape.size);
    }

    private static boolean isDigit(int c) {
        return c < ASCII ? c <= '9' : Character.isDigit(c);
    }

    /** The small letter for a letter, a digit as it is; {@link #BETWEEN} for what stands between words. */
    private static int folded(int c) {
        return c < ASCII ? FOLDED_ASCII[c] : foldedAny(c);
    }

    private static int foldedAny(int c) {
        int type = Character.getType(c);
        boolean inWord = Character.isLetterOrDigit(c)
                || type == Character.NON_SPACING_MARK
                || type == Character.COMBINING_SPACING_MARK;
        return inWord ? Character.toLowerCase(Character.toUpperCase(c)) : BETWEEN;
    }

    private static long mixed(long value) {
        long hash = (value ^ (value >>> 30)) * 0xbf58476d1ce4e5b9L;
        hash = (hash ^ (hash >>> 27)) * 0x94d049bb133111ebL;
        return hash ^ (hash >>> 31);
    }

    private static boolean isOpen(long word) {
        return word == OPEN;
    }

    int size() {
        return size;
    }

    /** Equal for texts that differ in places, numbers, case and punctuation only. */
    long hash() {
        return hash;
    }

    /** Equal for texts that differ in the word at a slot, too. */
    long hash(int slot) {
        if (slot == NO_SLOT) return hash;
        long step = slot * STEP;
        return mixed(wordSum - mixed(words[slot] + step) + mixed(OPEN + step));
    }

    /** Whether the word at a slot may be left open, and enough stays to tell what the texts have in common. */
    boolean canOpen(int slot) {
        return !isOpen(words[slot]) && isTelling(plain - 1);
    }

    /** Whether it says more than its places and numbers do. */
    boolean isTelling() {
        return plain < size && isTelling(plain);
    }

    private boolean isTelling(int plainWords) {
        return plainWords >= MIN_PLAIN && 2 * plainWords >= size;
    }

    /** The text with "…" for what is open: "Sea cave tour at …, …". */
    String pattern(int slot) {
        StringBuilder pattern = new StringBuilder();
        int from = 0;
        for (int i = 0; i < size; i++) {
            if (!isOpen(words[i]) && i != slot) continue;
            pattern.append(text, from, starts[i]).append('…');
            from = ends[i];
        }
        return pattern.append(text, from, text.length()).toString();
    }

    /** What it is compared by: its words in small letters with a space between, places and numbers left out. */
    String compared(int slot) {
        StringBuilder compared = new StringBuilder(text.length());
        for (int i = 0; i < size; i++) {
            if (i > 0) compared.append(' ');
            if (isOpen(words[i]) || i == slot) {
                compared.append('…');
                continue;
            }
            for (int at = starts[i], c; at < ends[i]; at += Character.charCount(c)) {
                c = text.codePointAt(at);
                compared.appendCodePoint(folded(c));
            }
        }
        return compared.toString();
    }
}
