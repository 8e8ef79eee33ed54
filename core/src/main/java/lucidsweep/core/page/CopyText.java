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
        for (int i = 0; i < size; i++) {
            char c = text.charAt(i);
            if (isSpace(c)) {
                gap = length > 0;
                continue;
            }
            if (length + 1 >= most) return;
            if (gap) chars[length++] = ' ';
            gap = false;
            chars[length++] = c;
        }
    }

    private void grow(int size) {
        int needed = (int) Math.min((long) length + size + 1, most);
        if (needed > chars.length) chars = Arrays.copyOf(chars, Math.min(Math.max(needed, chars.length * 2), most));
    }

    static boolean isSpace(char c) {
        return c <= ' ' || c == '\u00A0' || c == '\u2028' || c == '\u2029';
    }

    @Override
    public String toString() {
        return new String(chars, 0, length);
    }
}
