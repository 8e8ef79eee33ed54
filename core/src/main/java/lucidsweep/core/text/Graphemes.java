package lucidsweep.core.text;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Counts what a reader would call characters: extended grapheme clusters (Unicode annex 29), not UTF-16 units. */
public final class Graphemes {

    private static final Pattern CLUSTER = Pattern.compile("\\X");
    private static final char FIRST_COMBINING = 0x300;

    private Graphemes() {}

    /** How many clusters the text has; {@code count("é")} is 1 however it is encoded. */
    public static int count(String text) {
        if (isPlain(text)) return text.length();
        int clusters = 0;
        Matcher cluster = CLUSTER.matcher(text);
        while (cluster.find()) clusters++;
        return clusters;
    }

    /** The punctuation of ordinary texts: dashes, quotes, bullets, ellipses. */
    private static boolean isDashOrQuote(char c) {
        return c >= 0x2010 && c <= 0x2027;
    }

    private static boolean isPlain(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= FIRST_COMBINING && !isDashOrQuote(c) || c == '\r') return false;
        }
        return true;
    }
}
