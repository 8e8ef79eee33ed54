package lucidsweep.server.table;

import java.io.IOException;
import java.io.Reader;

/** The lines of a text, of each at most so many characters: one line of 600 MB is not held in memory. */
final class BoundedLines {

    private static final int AT_ONCE = 1 << 14;

    private final Reader text;
    private final int longest;
    private final char[] read = new char[AT_ONCE];
    private int next;
    private int end;
    private boolean cut;

    BoundedLines(Reader text, int longest) {
        this.text = text;
        this.longest = longest;
    }

    /** The next line without its end, which is a line feed, a carriage return or both; null after the last. */
    String next() throws IOException {
        cut = false;
        if (!hasMore()) return null;
        StringBuilder line = new StringBuilder();
        do {
            int from = next;
            while (next < end && read[next] != '\n' && read[next] != '\r') next++;
            int room = longest - line.length();
            cut |= next - from > room;
            line.append(read, from, Math.min(next - from, room));
        } while (next == end && hasMore());
        skipEnd();
        return line.toString();
    }

    private void skipEnd() throws IOException {
        if (!hasMore()) return;
        if (read[next++] == '\r' && hasMore() && read[next] == '\n') next++;
    }

    /** Whether there is a character left; then it is among those that were read. */
    private boolean hasMore() throws IOException {
        if (next < end) return true;
        next = 0;
        end = Math.max(0, text.read(read));
        return end > 0;
    }

    /** Whether the last line had more characters than were read of it. */
    boolean wasCut() {
        return cut;
    }
}
