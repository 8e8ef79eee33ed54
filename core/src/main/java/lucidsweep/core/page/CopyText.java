package lucidsweep.core.page;

import java.util.Arrays;
import lucidsweep.core.text.Spaces;

/** Collects visible text piece by piece, every run of white space as one space, none at the ends. */
final class CopyText {

    /** Up to here closing up is quicker than looking whether it is needed. */
    private static final int SHORT = 40;

    private final int max;
    private char[] text = new char[8_192];
    private int size;
    private boolean endsInSpace = true;
    private boolean full;

    /** Takes at most so many characters; what comes after is left out. */
    CopyText(int max) {
        this.max = max;
    }

    void append(String added) {
        if (full) return;
        if (added.isBlank()) {
            space();
            return;
        }
        int room = max - size;
        full = added.length() > room;
        int count = full ? room : added.length();
        if (size + count > text.length) text = Arrays.copyOf(text, Math.max(size + count, text.length * 2));
        added.getChars(0, count, text, size);
        boolean plain = count > SHORT && !(endsInSpace && added.charAt(0) == ' ') && isPlain(added);
        size = plain ? size + count : closedUp(size + count);
        endsInSpace = size == 0 || text[size - 1] == ' ';
    }

    /** Parts what was added before from what comes next. */
    void space() {
        if (endsInSpace || size >= max) return;
        if (size == text.length) text = Arrays.copyOf(text, size * 2);
        text[size++] = ' ';
        endsInSpace = true;
    }

    private static boolean isPlain(String text) {
        return Spaces.isClosedUp(text)
                && text.indexOf('\u00A0') < 0
                && text.indexOf('\u2028') < 0
                && text.indexOf('\u2029') < 0;
    }

    /**
     * Closes up what stands behind the text, up to a place; returns where it ends then. Written without branches that depend
     * on the letters: guessing where words end is what takes the time otherwise.
     */
    private int closedUp(int end) {
        int to = size;
        int before = endsInSpace ? 1 : 0;
        for (int i = size; i < end; i++) {
            int c = text[i];
            int space = isSpace((char) c) ? 1 : 0;
            text[to] = (char) (space * ' ' + (1 - space) * c);
            to += 1 - (space & before);
            before = space;
        }
        return to;
    }

    /** Asked of every letter, so it has no branches either. */
    static boolean isSpace(char c) {
        return c <= ' ' | c == '\u00A0' | c == '\u2028' | c == '\u2029';
    }

    @Override
    public String toString() {
        return new String(text, 0, endsInSpace && size > 0 ? size - 1 : size);
    }
}
