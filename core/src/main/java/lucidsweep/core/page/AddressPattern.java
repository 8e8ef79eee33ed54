package lucidsweep.core.page;

import java.util.ArrayList;
import java.util.List;

/**
 * A pattern of addresses, written as in robots.txt (RFC 9309, section 2.2.3): "*" stands for any run of characters, "$" at
 * the end for the end of the address; without it the address may go on.
 *
 * <p>A pattern that begins with "/" is held against path and query from their start, one with "://" against the whole
 * address from its start; any other may stand anywhere in the address.
 *
 * <pre>{@code AddressPattern.of("/tours/*&#47;gallery$").matches("https://example.com/tours/gull-cove/gallery")   // true }</pre>
 */
public final class AddressPattern {

    private static final int LONGEST = 500;

    private final String written;
    private final List<String> pieces = new ArrayList<>();
    private final boolean ofPath;
    private final boolean toTheEnd;

    private AddressPattern(String written) {
        this.written = written;
        ofPath = written.startsWith("/");
        toTheEnd = written.endsWith("$");
        String text = toTheEnd ? written.substring(0, written.length() - 1) : written;
        if (!ofPath && !text.contains("://")) text = "*" + text;
        for (String piece : text.split("\\*", -1)) pieces.add(Reference.encodedAsInQuery(piece));
    }

    /**
     * Reads a pattern.
     *
     * @throws IllegalArgumentException where it is blank or longer than 500 characters
     */
    public static AddressPattern of(String written) {
        String text = written.strip();
        if (text.isEmpty()) throw new IllegalArgumentException("expected a pattern such as /tours/*, got nothing");
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException(
                    "a pattern has at most " + LONGEST + " characters, this one has " + text.length());
        }
        return new AddressPattern(text);
    }

    /** Whether a normal address fits. Takes time in proportion to the lengths of both, whatever the pattern. */
    public boolean matches(String address) {
        int start = ofPath ? pathStart(address) : 0;
        if (!address.startsWith(pieces.get(0), start)) return false;
        int at = start + pieces.get(0).length();
        int last = pieces.size() - 1;
        for (int i = 1; i <= last; i++) {
            String piece = pieces.get(i);
            if (i == last && toTheEnd) return address.length() - piece.length() >= at && address.endsWith(piece);
            int found = address.indexOf(piece, at);
            if (found < 0) return false;
            at = found + piece.length();
        }
        return !toTheEnd || at == address.length();
    }

    private static int pathStart(String address) {
        int host = address.indexOf("//") + 2;
        int path = address.indexOf('/', host);
        return path < 0 ? address.length() : path;
    }

    /** The pattern as it was written. */
    @Override
    public String toString() {
        return written;
    }
}
