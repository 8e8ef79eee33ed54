package lucidsweep.core.column;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Volume;
import lucidsweep.core.text.Country;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.core.text.WrittenNumber;

/**
 * What the cells of a column look like. Shares are of the cells that are not empty, from 0 to 1.
 *
 * @param count how many cells are not empty
 * @param distinct the share of different ones
 * @param shares by what a cell looks like
 * @param length, words the median, in characters and in words
 */
record CellProfile(int count, double distinct, Map<Look, Double> shares, int length, int words) {

    /** What a cell can look like; it may look like several. */
    enum Look {
        ADDRESS(cell -> CellProfile.ADDRESS.matcher(cell).matches()),
        ID(CellProfile::isId),
        COUNT(cell -> cell.length() <= LONGEST_NUMBER && Volume.parse(cell).isPresent()),
        NUMBER(CellProfile::isNumber),
        PERCENT(cell -> cell.endsWith("%") && isNumber(cell)),
        DATE(CellProfile::isDate),
        COUNTRY(Country::isKnown),
        LIST(CellProfile::isList),
        /** Of several words. */
        SPACED(cell -> cell.indexOf(' ') > 0 && cell.chars().anyMatch(Character::isLetter));

        private final Predicate<String> is;

        Look(Predicate<String> is) {
            this.is = is;
        }
    }

    private static final int LONGEST_ID = 40;
    private static final int LONGEST_NUMBER = 24;
    private static final int LONGEST_DATE = 40;
    private static final Set<String> NOTHING = Set.of("-", "–", "—", "n/a", "na", "null", "none", "nan", "#n/a");
    private static final Pattern ADDRESS = Pattern.compile(
            "(?i)https?://\\S+|/(\\S*)|www\\.\\S+|[\\p{L}\\p{N}-]+(\\.[\\p{L}\\p{N}-]+)+/\\S*|\\S+\\.x?html?");
    private static final Pattern ID =
            Pattern.compile("[\\p{L}\\p{N}_#.:-]*\\p{N}[\\p{L}\\p{N}_#.:-]*|[A-Za-z0-9_-]{11}");
    private static final Pattern PARTS = Pattern.compile("[,;|\\n]|\\s#|(?<=^)#");
    private static final Pattern NUMBER = Pattern.compile(
            "[^\\p{L}\\p{N}]{0,3}(?:(?:\\p{Lu}{3}|R|kr|zł)\\s?)?[.,]?\\d[\\d.,'’\\s\u00A0\u202F]*[^\\d]{0,5}");

    static CellProfile of(List<String> cells) {
        List<String> filled =
                cells.stream().map(String::strip).filter(CellProfile::isFilled).toList();
        int count = filled.size();
        return new CellProfile(
                count,
                count == 0 ? 0 : new HashSet<>(filled).size() / (double) count,
                shares(filled),
                median(filled.stream().mapToInt(String::length).toArray()),
                median(filled.stream()
                        .mapToInt(cell -> cell.split("\\s+").length)
                        .toArray()));
    }

    static boolean isFilled(String cell) {
        return !cell.isBlank() && !NOTHING.contains(cell.strip().toLowerCase(Locale.ROOT));
    }

    private static Map<Look, Double> shares(List<String> cells) {
        Map<Look, Double> shares = new EnumMap<>(Look.class);
        for (Look look : Look.values()) {
            long some = cells.stream().filter(look.is).count();
            shares.put(look, cells.isEmpty() ? 0 : some / (double) cells.size());
        }
        return shares;
    }

    double share(Look look) {
        return shares.get(look);
    }

    private static int median(int[] values) {
        Arrays.sort(values);
        return values.length == 0 ? 0 : values[values.length / 2];
    }

    private static boolean isId(String cell) {
        return cell.length() <= LONGEST_ID && ID.matcher(cell).matches() && !isDate(cell);
    }

    private static boolean isNumber(String cell) {
        return cell.length() <= LONGEST_NUMBER
                && NUMBER.matcher(cell).matches()
                && WrittenNumber.plain(cell).isPresent();
    }

    static boolean isDate(String cell) {
        if (cell.length() > LONGEST_DATE || cell.length() < 6) return false;
        return WrittenDate.iso(cell, WrittenDate.Order.DAY_FIRST).isPresent()
                || WrittenDate.iso(cell, WrittenDate.Order.MONTH_FIRST).isPresent()
                || WrittenDate.month(cell).isPresent() && !cell.matches("\\d+");
    }

    /** Whether a cell is a list of short texts, such as "kayak, hire, tarrin bay". */
    private static boolean isList(String cell) {
        String[] parts = PARTS.split(cell);
        if (parts.length < 3) return false;
        return Arrays.stream(parts)
                .allMatch(part -> part.length() <= 50 && part.strip().split("\\s+").length <= 5);
    }

    /** Whether a single cell looks like data, not like a name: an address, a number, a date or a long text. */
    static boolean isData(String cell) {
        String text = cell.strip();
        return text.length() > 80
                || text.matches("(?i)(https?://|www\\.|/)\\S*")
                || isNumber(text) && text.chars().anyMatch(Character::isDigit)
                || text.length() >= 8 && isDate(text) && MonthName.of(text).isEmpty();
    }
}
