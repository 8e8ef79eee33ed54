package lucidsweep.core.column;

import java.util.Optional;
import java.util.regex.Pattern;
import lucidsweep.core.text.WrittenDate;

/** The month that the name of a column tells: "Searches: Mar 2025", "2025-03", "März 25", "vol_2025_03", "01.03.2025". */
final class MonthName {

    private static final Pattern BRACKETS = Pattern.compile("\\(([^)]*)\\)|\\[([^\\]]*)\\]");
    private static final Pattern BEFORE =
            Pattern.compile("^(?:[\\p{L}.]+[:\\s_-]+){1,4}?(?=\\p{L}{3,}[\\s.,_-]*\\d|\\d)");
    private static final Pattern AFTER = Pattern.compile("(?<=\\d)[:\\s_-]+\\p{L}[\\p{L} .]*$");
    private static final Pattern FIRST_DAY = Pattern.compile("(\\d{4}-\\d{2})-01|01[./](\\d{2})[./](\\d{4})");
    private static final Pattern PLAUSIBLE = Pattern.compile("(19[89]|20\\d)\\d-\\d{2}");

    private MonthName() {}

    /** The month as "2025-03"; empty where the name tells none. */
    static Optional<String> of(String name) {
        if (name.length() > 60 || name.chars().noneMatch(Character::isDigit)) return Optional.empty();
        String plain = name.strip();
        Optional<String> month = month(plain);
        if (month.isEmpty())
            month = month(BRACKETS.matcher(plain).replaceAll(" ").strip());
        if (month.isEmpty()) month = month(bare(plain));
        return month.isPresent()
                ? month
                : BRACKETS.matcher(plain)
                        .results()
                        .map(found -> found.group(1) != null ? found.group(1) : found.group(2))
                        .flatMap(inside -> month(inside.strip()).stream())
                        .findFirst();
    }

    private static String bare(String name) {
        return AFTER.matcher(BEFORE.matcher(name).replaceFirst(""))
                .replaceFirst("")
                .strip();
    }

    private static Optional<String> month(String text) {
        var first = FIRST_DAY.matcher(text);
        if (first.matches()) {
            return Optional.of(first.group(1) != null ? first.group(1) : first.group(3) + "-" + first.group(2));
        }
        return WrittenDate.month(text.replace('_', '-'))
                .filter(month -> PLAUSIBLE.matcher(month).matches());
    }
}
