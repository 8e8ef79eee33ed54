package lucidsweep.core.text;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Dates as files write them: "2026-11-25", "20261125", "2026/11/25 10:30", "25.11.2026", "25 Nov 2026", "Nov 25, 2026",
 * "Wed, 25 Nov 2026 10:30:00 GMT", "25 de novembro de 2026" and, where the order of day and month is known, "25/11/26". A time is passed over.
 */
public final class WrittenDate {

    /** Which of two numbers before a year is the day. */
    public enum Order {
        DAY_FIRST,
        MONTH_FIRST
    }

    private static final String TIME = "(?:[t ,].*)?";
    private static final Pattern YEAR_FIRST = Pattern.compile("(\\d{4})([-/.]?)(\\d{1,2})\\2(\\d{1,2})" + TIME);
    private static final Pattern YEAR_LAST =
            Pattern.compile("(\\d{1,2})([-/. ])\\s?(\\d{1,2})\\2\\s?(\\d{4}|\\d{2})" + TIME);
    private static final Pattern DAY_NAME = Pattern.compile(
            "(?:[a-z]{2,12}[,.]{0,2} )?(\\d{1,2})(?:st|nd|rd|th|er|º|ª)?[-. /]+(?:de |of )?([a-z]{3,12})\\.?,?[-. /]+(?:de )?(\\d{4}|\\d{2})"
                    + TIME);
    private static final Pattern NAME_DAY =
            Pattern.compile("(?:[a-z]{3,12},? )?([a-z]{3,12})\\.? (\\d{1,2})(?:st|nd|rd|th)?,? (\\d{4})" + TIME);
    private static final Pattern MONTH_OF_YEAR = Pattern.compile("(\\d{4})[-/. ]?(\\d{2})|(\\d{2})[-/.](\\d{4})");
    private static final Pattern NAMED_MONTH = Pattern.compile("([a-z]{3,12})\\.?[-,. /'’]+(?:de )?(\\d{4}|\\d{2})");

    private WrittenDate() {}

    /** The date as "2026-11-25"; empty where it is none, or where its order of day and month cannot be. */
    public static Optional<String> iso(String text, Order order) {
        if (text.isEmpty()) return Optional.empty();
        String plain = plain(text);
        Matcher found = YEAR_FIRST.matcher(plain);
        if (found.matches()) return date(found.group(1), found.group(3), found.group(4));
        found = YEAR_LAST.matcher(plain);
        if (found.matches()) {
            boolean dayFirst = order == Order.DAY_FIRST || found.group(2).equals(".");
            return date(found.group(4), found.group(dayFirst ? 3 : 1), found.group(dayFirst ? 1 : 3));
        }
        found = DAY_NAME.matcher(plain);
        if (found.matches()) return date(found.group(3), month(found, 2), found.group(1));
        found = NAME_DAY.matcher(plain);
        if (found.matches()) return date(found.group(3), month(found, 1), found.group(2));
        return Optional.empty();
    }

    /** The month as "2026-11": "2026-11", "11/2026", "Nov 2026", "November-26"; empty where it is none. */
    public static Optional<String> month(String text) {
        String plain = plain(text);
        Matcher found = MONTH_OF_YEAR.matcher(plain);
        if (found.matches()) {
            boolean yearFirst = found.group(1) != null;
            return date(found.group(yearFirst ? 1 : 4), found.group(yearFirst ? 2 : 3), "1")
                    .map(date -> date.substring(0, 7));
        }
        found = NAMED_MONTH.matcher(plain);
        if (!found.matches()) return Optional.empty();
        return date(found.group(2), month(found, 1), "1").map(date -> date.substring(0, 7));
    }

    /** The last day of a month such as "2026-11", as a date. */
    public static String lastDay(String month) {
        int year = Integer.parseInt(month.substring(0, 4));
        return month + "-" + days(year, Integer.parseInt(month.substring(5)));
    }

    /** Which order a date can only have, from "25/11/2026"; empty where it could have either or none. */
    public static Optional<Order> onlyOrder(String text) {
        boolean dayFirst = iso(text, Order.DAY_FIRST).isPresent();
        boolean monthFirst = iso(text, Order.MONTH_FIRST).isPresent();
        if (dayFirst == monthFirst) return Optional.empty();
        return Optional.of(dayFirst ? Order.DAY_FIRST : Order.MONTH_FIRST);
    }

    /** Whether a date means another day in the other order, as "11/12/2026" does. */
    public static boolean isAmbiguous(String text) {
        Optional<String> dayFirst = iso(text, Order.DAY_FIRST);
        return dayFirst.isPresent()
                && iso(text, Order.MONTH_FIRST).isPresent()
                && !dayFirst.equals(iso(text, Order.MONTH_FIRST));
    }

    private static String plain(String text) {
        return Letters.plain(Spaces.closedUp(text)).toLowerCase(Locale.ROOT);
    }

    private static String month(Matcher found, int group) {
        return String.valueOf(MonthNames.month(found.group(group)));
    }

    private static Optional<String> date(String year, String month, String day) {
        int y = Integer.parseInt(year);
        if (year.length() == 2) y += 2_000;
        int m = Integer.parseInt(month);
        int d = Integer.parseInt(day);
        if (y < 1_000 || m < 1 || m > 12 || d < 1 || d > days(y, m)) return Optional.empty();
        return Optional.of(two(y / 100) + two(y % 100) + "-" + two(m) + "-" + two(d));
    }

    private static String two(int number) {
        return number < 10 ? "0" + number : String.valueOf(number);
    }

    private static int days(int year, int month) {
        boolean leap = year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
        return switch (month) {
            case 2 -> leap ? 29 : 28;
            case 4, 6, 9, 11 -> 30;
            default -> 31;
        };
    }
}
