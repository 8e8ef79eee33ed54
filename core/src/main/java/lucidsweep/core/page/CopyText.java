package lucidsweep.core.page;

import lucidsweep.core.text.Spaces;

/** Collects visible text piece by piece, every run of white space as one space, none at the ends. */
final class CopyText {

    private static final char[] WIDE_SPACES = {'\u00A0', '\u2028', '\u2029'};

    private final int most;
    private final StringBuilder text = new StringBuilder(16_384);
    private char[] piece = new char[1_024];
    private boolean endsInSpace = true;
    private boolean full;

    /** Takes at most so many characters; what comes after is left out. */
    CopyText(int most) {
        this.most = most;
    }

    void append(String added) {
        if (full) return;
        if (added.isBlank()) {
            space();
            return;
        }
        int room = most - text.length();
        full = added.length() > room;
        String some = full ? added.substring(0, room) : added;
        if (some.isEmpty()) return;
        String plain = withPlainSpaces(some);
        if (Spaces.isClosedUp(plain)) {
            text.append(plain.charAt(0) == ' ' && endsInSpace ? plain.substring(1) : plain);
        } else {
            appendClosedUp(plain);
        }
        endsInSpace = text.length() == 0 || text.charAt(text.length() - 1) == ' ';
    }

    /** Parts what was added before from what comes next. */
    void space() {
        if (endsInSpace || text.length() >= most) return;
        text.append(' ');
        endsInSpace = true;
    }

    private static String withPlainSpaces(String text) {
        String plain = text;
        for (char space : WIDE_SPACES) if (plain.indexOf(space) >= 0) plain = plain.replace(space, ' ');
        return plain;
    }

    /** Written without branches that depend on the letters: guessing where words end is what takes the time otherwise. */
    private void appendClosedUp(String added) {
        int size = added.length();
        if (size > piece.length) piece = new char[size];
        added.getChars(0, size, piece, 0);
        int to = 0;
        int before = endsInSpace ? 1 : 0;
        for (int i = 0; i < size; i++) {
            int c = piece[i];
            int space = (c - ' ' - 1) >>> 31;
            piece[to] = (char) Math.max(c, ' ');
            to += 1 - (space & before);
            before = space;
        }
        text.append(piece, 0, to);
    }

    static boolean isSpace(char c) {
        return c <= ' ' || c == '\u00A0' || c == '\u2028' || c == '\u2029';
    }

    @Override
    public String toString() {
        return text.substring(0, text.length() - (endsInSpace && text.length() > 0 ? 1 : 0));
    }
}
