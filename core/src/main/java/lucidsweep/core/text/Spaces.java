package lucidsweep.core.text;

import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** White space in texts of one line. */
public final class Spaces {

    private static final Pattern RUN = Pattern.compile("\\s+");

    private static final Pattern BLANK_LINES = Pattern.compile("\n{3,}");

    private Spaces() {}

    /** The text with every run of white space as one space and none at its ends. */
    public static String closedUp(String text) {
        String closed = isClosedUp(text) ? text : RUN.matcher(text).replaceAll(" ");
        return closed.strip();
    }

    /** The same line by line, with at most one blank line between two. */
    public static String closedUpInLines(String text) {
        if (text.indexOf('\n') < 0 && text.indexOf('\r') < 0) return closedUp(text);
        String lines = text.lines().map(Spaces::closedUp).collect(Collectors.joining("\n"));
        return BLANK_LINES.matcher(lines).replaceAll("\n\n").strip();
    }

    /** Most texts are, and looking is many times faster than replacing. */
    public static boolean isClosedUp(String text) {
        return text.indexOf("  ") < 0
                && text.indexOf('\n') < 0
                && text.indexOf('\t') < 0
                && text.indexOf('\r') < 0
                && text.indexOf('\f') < 0;
    }
}
