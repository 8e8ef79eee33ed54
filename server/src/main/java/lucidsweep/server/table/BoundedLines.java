package lucidsweep.server.table;

import java.io.IOException;
import java.io.Reader;

/** The lines of a text, of each at most so many characters: one line of 600 MB is not held in memory. */
final class BoundedLines {

    private final Reader text;
    private final int longest;
    private boolean cut;
    private int ahead = -2;

    BoundedLines(Reader text, int longest) {
        this.text = text;
        this.longest = longest;
    }

    /** The next line without its end; null after the last. */
    String next() throws IOException {
        StringBuilder line = new StringBuilder();
        cut = false;
        int c = ahead == -2 ? text.read() : ahead;
        ahead = -2;
        if (c < 0) return null;
        while (c >= 0 && c != '\n' && c != '\r') {
            if (line.length() < longest) line.append((char) c);
            else cut = true;
            c = text.read();
        }
        if (c == '\r') {
            int after = text.read();
            if (after != '\n') ahead = after;
        }
        return line.toString();
    }

    /** Whether the last line had more characters than were read of it. */
    boolean wasCut() {
        return cut;
    }
}
