package lucidsweep.core.page;

import java.util.Arrays;
import lucidsweep.core.text.Spaces;

/** Collects visible text piece by piece, every run of white space as one space, none at the ends. */
final class CopyText {

    private static final char[] WIDE_SPACES = {'\u00A0', '\u2028', '\u2029'};

    private final int most;
    private char[] chars = new char[8_192];
    private char[] piece = new char[1_024];
    private int length;

    /** Takes at most so many characters; what comes after is left out. */
    CopyText(int most) {
        this.most = most;
    }

    void append(String text) {
        String plain = withPlainSpaces(text);
        int size = Math.min(plain.length(), most - length);
        if (size == 0) return;
        if (length + size > chars.length) grow(length + size);
        if (Spaces.isClosedUp(plain)) {
            int from = plain.charAt(0) == ' ' && endsInSpace() ? 1 : 0;
            plain.getChars(from, size, chars, length);
            length += size - from;
        } else {
            if (size > piece.length) piece = new char[size];
            plain.getChars(0, size, piece, 0);
            length = closeUp(piece, size, chars, length);
        }
    }

    private boolean endsInSpace() {
        return length == 0 || chars[length - 1] == ' ';
    }

    private static String withPlainSpaces(String text) {
        String plain = text;
        for (char space : WIDE_SPACES) if (plain.indexOf(space) >= 0) plain = plain.replace(space, ' ');
        return plain;
    }

    /**
     * Adds characters to a text with every run of white space closed up; returns the new length. Written without branches
     * that depend on the letters: guessing where words end is what takes the time otherwise.
     */
    private static int closeUp(char[] added, int size, char[] text, int length) {
        int to = length;
        int before = length == 0 || text[length - 1] == ' ' ? 1 : 0;
        for (int i = 0; i < size; i++) {
            int c = added[i];
            int space = (c - ' ' - 1) >>> 31;
            text[to] = (char) Math.max(c, ' ');
            to += 1 - (space & before);
            before = space;
        }
        return to;
    }

    private void grow(int needed) {
        chars = Arrays.copyOf(chars, Math.min(Math.max(needed, chars.length * 2), most));
    }

    static boolean isSpace(char c) {
        return c <= ' ' || c == '\u00A0' || c == '\u2028' || c == '\u2029';
    }

    @Override
    public String toString() {
        int end = length > 0 && chars[length - 1] == ' ' ? length - 1 : length;
        return new String(chars, 0, end);
    }
}
