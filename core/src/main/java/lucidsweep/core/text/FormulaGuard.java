package lucidsweep.core.text;

import java.util.regex.Pattern;

/**
 * Keeps a spreadsheet from taking a text for a formula: tables that are made to be read there get an apostrophe before such
 * cells, and it is taken off again when the table comes back.
 *
 * <pre>{@code
 * FormulaGuard.guarded("=2+2 ways to roll");    // '=2+2 ways to roll
 * FormulaGuard.unguarded("'=2+2 ways to roll"); // =2+2 ways to roll
 * }</pre>
 */
public final class FormulaGuard {

    private static final char MARK = '\'';
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d[\\d.,]*");

    private FormulaGuard() {}

    /** The text with an apostrophe before it where a spreadsheet would reckon with it; numbers stay. */
    public static String guarded(String text) {
        return startsFormula(text, 0) && !NUMBER.matcher(text).matches() ? MARK + text : text;
    }

    /** The text without such an apostrophe; one that is the first of a pair, as in {@code '@home' course}, is the text's own. */
    public static String unguarded(String text) {
        boolean marked = text.length() > 1 && text.charAt(0) == MARK && startsFormula(text, 1);
        return marked && text.indexOf(MARK, 1) < 0 ? text.substring(1) : text;
    }

    private static boolean startsFormula(String text, int place) {
        return text.length() > place && "=+-@\t\r".indexOf(text.charAt(place)) >= 0;
    }
}
