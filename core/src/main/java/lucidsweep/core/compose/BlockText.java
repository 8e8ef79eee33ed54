package lucidsweep.core.compose;

import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A block of text with values to be filled in: "Questions about {keyword}? Write to {client}." A line of which a value is
 * missing is left out, so that nothing is left standing without a sense.
 */
public final class BlockText {

    /** What can be filled in. */
    public static final List<String> VALUES =
            List.of("client", "keyword", "place", "title", "section", "price", "year", "tag", "address");

    private static final Pattern VALUE = Pattern.compile("\\{(\\p{L}[\\p{L} ]{0,30})}");

    private BlockText() {}

    /**
     * Checks that all values are known.
     *
     * @throws IllegalArgumentException that names the first which is not
     */
    public static void check(String text) {
        Matcher value = VALUE.matcher(text);
        while (value.find()) {
            if (!VALUES.contains(name(value))) {
                throw new IllegalArgumentException(
                        "expected one of {" + String.join("}, {", VALUES) + "}, got \"" + value.group() + "\"");
            }
        }
    }

    /** The text with its values; "" where no line is left. @param valueOf what a name stands for, "" for nothing */
    public static String filled(String text, UnaryOperator<String> valueOf) {
        if (text.indexOf('{') < 0) return text.strip();
        StringBuilder filled = new StringBuilder();
        for (String line : text.split("\n", -1)) {
            boolean lacks = VALUE.matcher(line)
                    .results()
                    .anyMatch(value -> valueOf.apply(name(value)).isBlank());
            if (lacks) continue;
            String full = VALUE.matcher(line)
                    .replaceAll(value ->
                            Matcher.quoteReplacement(valueOf.apply(name(value)).strip()));
            filled.append(full).append('\n');
        }
        return filled.toString().replaceAll("\n{3,}", "\n\n").strip();
    }

    private static String name(MatchResult value) {
        return value.group(1).toLowerCase(Locale.ROOT);
    }
}
