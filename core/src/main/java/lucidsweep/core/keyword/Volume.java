package lucidsweep.core.keyword;

import java.util.Locale;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Monthly searches as lists write them: "1300", "1,300", "1 300", "1.3K", "1300.0", "<10", "100 – 1K", "1,2 Tsd.". */
public final class Volume {

    private static final int LONGEST_PLAIN = 15;
    private static final Pattern NUMBER = Pattern.compile(
            "[<>~≈]?\\s*(\\d[\\d ,.'\u00A0\u202F]*)\\s*(k|m|tsd\\.?|mio\\.?|mil|mln|tys\\.?)?\\s*(?:[-–]\\s*(\\d[\\d ,.]*)\\s*(k|m|tsd\\.?|mio\\.?|mil|mln|tys\\.?)?)?\\s*\\+?");
    private static final Pattern GROUPED = Pattern.compile("\\d{1,3}([ ,.'\u00A0\u202F])\\d{3}(\\1\\d{3})*");

    private Volume() {}

    /**
     * Reads a volume; of a range, its middle.
     *
     * @return empty for "", "-", "n/a" and for anything that is no count
     */
    public static OptionalLong parse(String text) {
        if (isPlain(text)) return OptionalLong.of(Long.parseLong(text));
        Matcher number = NUMBER.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!number.matches()) return OptionalLong.empty();
        try {
            double from = value(number.group(1).strip(), unit(number, 2));
            double to = number.group(3) == null ? from : value(number.group(3).strip(), unit(number, 4));
            return OptionalLong.of(Math.round((from + to) / 2));
        } catch (NumberFormatException e) {
            return OptionalLong.empty();
        }
    }

    /** Most counts are digits only, which needs no patterns. */
    private static boolean isPlain(String text) {
        if (text.isEmpty() || text.length() > LONGEST_PLAIN) return false;
        for (int i = 0; i < text.length(); i++) if (text.charAt(i) < '0' || text.charAt(i) > '9') return false;
        return true;
    }

    private static String unit(Matcher number, int group) {
        return number.group(group) == null ? "" : number.group(group);
    }

    private static double value(String digits, String unit) {
        boolean grouped = unit.isEmpty() && GROUPED.matcher(digits).matches();
        String plain = grouped
                ? digits.replaceAll("\\D", "")
                : digits.replaceAll("[ '\u00A0\u202F]", "").replace(',', '.');
        return Double.parseDouble(plain) * scale(unit);
    }

    private static double scale(String unit) {
        return switch (unit) {
            case "" -> 1;
            case "m", "mio", "mio.", "mln" -> 1_000_000;
            default -> 1_000;
        };
    }
}
