package lucidsweep.core.text;

import java.text.Normalizer;
import java.util.Locale;

/** What is left of a text when case, spacing, punctuation and compatibility forms do not count: equal keys, equal texts. */
public final class TextKey {

    private TextKey() {}

    /**
     * The text after NFKC and case folding, its letters and digits in runs joined by one space.
     *
     * <pre>{@code key("Kayak-Hire  |  TARRIN Bay")  // "kayak hire tarrin bay" }</pre>
     */
    public static String key(String text) {
        String key = asciiKey(text);
        return key != null ? key : anyKey(text);
    }

    /** The key of a text in ASCII, which needs no tables; null for any other. */
    private static String asciiKey(String text) {
        char[] key = new char[text.length()];
        int length = 0;
        boolean gap = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= 0x80) return null;
            if (c >= 'A' && c <= 'Z') c += 'a' - 'A';
            if (c >= 'a' && c <= 'z' || c >= '0' && c <= '9') {
                if (gap && length > 0) key[length++] = ' ';
                gap = false;
                key[length++] = c;
            } else {
                gap = true;
            }
        }
        return new String(key, 0, length);
    }

    private static String anyKey(String text) {
        String folded = Normalizer.normalize(text, Normalizer.Form.NFKC)
                .toUpperCase(Locale.ROOT)
                .toLowerCase(Locale.ROOT);
        StringBuilder key = new StringBuilder(folded.length());
        boolean gap = false;
        for (int i = 0, c; i < folded.length(); i += Character.charCount(c)) {
            c = folded.codePointAt(i);
            if (Character.isLetterOrDigit(c) || isMark(c)) {
                if (gap && key.length() > 0) key.append(' ');
                gap = false;
                key.appendCodePoint(c);
            } else {
                gap = true;
            }
        }
        return key.toString();
    }

    /** The {@link #exactHash} of the {@link #key}; 0 only for a text without letters or digits. */
    public static long hash(String text) {
        String key = key(text);
        return key.isEmpty() ? 0 : exactHash(key);
    }

    /**
     * A 64-bit hash of a text to the letter, never 0: FNV-1a over UTF-16 units with a final mix (Stafford's variant 13),
     * so that a collision among a million texts has a chance of about 3 in 10^8.
     */
    public static long exactHash(String text) {
        long hash = 0xcbf29ce484222325L;
        for (int i = 0; i < text.length(); i++) hash = (hash ^ text.charAt(i)) * 0x100000001b3L;
        return mixed(hash);
    }

    /** The same of a text in ASCII, such as an address, that stands in a range of bytes. */
    public static long exactHash(byte[] ascii, int from, int to) {
        long hash = 0xcbf29ce484222325L;
        for (int i = from; i < to; i++) hash = (hash ^ ascii[i]) * 0x100000001b3L;
        return mixed(hash);
    }

    private static long mixed(long sum) {
        long hash = (sum ^ (sum >>> 30)) * 0xbf58476d1ce4e5b9L;
        hash = (hash ^ (hash >>> 27)) * 0x94d049bb133111ebL;
        hash ^= hash >>> 31;
        return hash == 0 ? 1 : hash;
    }

    private static boolean isMark(int c) {
        int type = Character.getType(c);
        return type == Character.NON_SPACING_MARK || type == Character.COMBINING_SPACING_MARK;
    }
}
