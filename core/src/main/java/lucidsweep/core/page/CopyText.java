package lucidsweep.core.page;

import java.util.Arrays;

/** Collects visible text piece by piece, every run of white space as one space, none at the ends. */
final class CopyText {

    private final int most;
    private char[] chars = new char[8_192];
    private int length;
    private boolean gap;

    /** Takes at most so many characters; what comes after is left out. */
    CopyText(int most) {
        this.most = most;
    }

    void append(String text) {
        int size = text.length();
        if (length + size + 1 > chars.length) grow(size);
        for (int i = 0; i < size; ) {
            int start = i;
            while (i < size && !isSpace(text.charAt(i))) i++;
            if (i > start) add(text, start, i);
            while (i < size && isSpace(text.charAt(i))) {
                gap = length > 0;
                i++;
            }
        }
    }

    private void add(String text, int start, int end) {
        int room = most - length - (gap ? 1 : 0);
        if (room <= 0) return;
        if (gap) chars[length++] = ' ';
        gap = false;
        int count = Math.min(end - start, room);
        text.getChars(start, start + count, chars, length);
        length += count;
    }

    private void grow(int size) {
        int needed = (int) Math.min((long) length + size + 1, most);
        if (needed > chars.length) chars = Arrays.copyOf(chars, Math.min(Math.max(needed, chars.length * 2), most));
    }

    static boolean isSpace(char c) {
        return c <= ' ' || c >= '\u00A0' && (c == '\u00A0' || c == '\u2028' || c == '\u2029');
    }

    @Override
    public String toString() {
        return new String(chars, 0, length);
    }
}
