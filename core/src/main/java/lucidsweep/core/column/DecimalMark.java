package lucidsweep.core.column;

import java.util.Collection;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** What parts the decimals in the numbers of a column or file: told by those that can only be read in one way. */
public enum DecimalMark {
    POINT('.', ','),
    COMMA(',', '.');

    private static final Pattern NUMBER = Pattern.compile("(?<![\\d.,])\\d[\\d.,'’\\s\u00A0\u202F]*");

    private final char mark;
    private final char other;

    DecimalMark(char mark, char other) {
        this.mark = mark;
        this.other = other;
    }

    /**
     * The mark that the numbers tell; empty where all of them could have either, as "1.210" and "7" could.
     *
     * <pre>{@code told(List.of("1.210", "3,4"))  // COMMA: 1.210 is one thousand two hundred and ten }</pre>
     */
    public static Optional<DecimalMark> told(Collection<String> numbers) {
        int points = 0;
        int commas = 0;
        for (String text : numbers) {
            DecimalMark mark = told(text);
            if (mark == POINT) points++;
            if (mark == COMMA) commas++;
        }
        if (points == commas) return Optional.empty();
        return Optional.of(points > commas ? POINT : COMMA);
    }

    private static DecimalMark told(String text) {
        Matcher number = NUMBER.matcher(text);
        if (text.length() > 30 || !number.find()) return null;
        String digits = number.group().strip();
        int point = digits.lastIndexOf('.');
        int comma = digits.lastIndexOf(',');
        if (point >= 0 && comma >= 0) return point > comma ? POINT : COMMA;
        if (point < 0 && comma < 0) return null;
        DecimalMark one = point >= 0 ? POINT : COMMA;
        int at = Math.max(point, comma);
        // Of several marks of one kind, none parts decimals.
        if (digits.indexOf(one.mark) != at) return one == POINT ? COMMA : POINT;
        boolean group = digits.length() - at - 1 == 3 && at >= 1 && at <= 3 && digits.charAt(0) != '0';
        return group ? null : one;
    }

    /** The text with the marks that part thousands taken off and a point before its decimals. */
    public String plain(String text) {
        int at = text.lastIndexOf(mark);
        boolean plain = text.indexOf(other) < 0 && (at < 0 || text.indexOf(mark) == at);
        // Most numbers have one mark at most, which needs no patterns.
        if (plain) return this == POINT || at < 0 ? text : text.replace(mark, '.');
        // A number that cannot be meant so is read as it stands.
        DecimalMark alone = told(text);
        if (alone != null && alone != this) return text;
        return text.chars()
                .mapToObj(c -> c == other ? "" : c == mark ? "." : String.valueOf((char) c))
                .collect(Collectors.joining())
                .replaceAll("\\.(?=.*\\.)", at >= 0 ? "" : ".");
    }
}
