package lucidsweep.core.text;

import java.util.Optional;
import java.util.regex.Pattern;

/**
 * Numbers as files write them: "45.00", "45,00", "£1,300.50", "1.300,50 €", "12 %", "1 300", "1'300". Of two kinds of marks
 * the last parts the decimals; one comma before three digits parts thousands.
 */
public final class WrittenNumber {

    private static final Pattern AROUND = Pattern.compile("^[^\\d.,+-]+|[^\\d.,]+$");
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+(\\.\\d+)?|[+-]?\\.\\d+");
    private static final Pattern THOUSANDS = Pattern.compile("[+-]?\\d{1,3}(,\\d{3})+");

    private WrittenNumber() {}

    /** The number with "." before its decimals, such as "1300.50"; empty where it is none. */
    public static Optional<String> plain(String text) {
        if (text.isEmpty()) return Optional.empty();
        if (isPlain(text)) return Optional.of(text);
        String digits = AROUND.matcher(text.strip()).replaceAll("").replaceAll("[\\s\\u00A0\\u202F'’]", "");
        int dot = digits.lastIndexOf('.');
        int comma = digits.lastIndexOf(',');
        if (dot >= 0 && comma >= 0) {
            digits = dot > comma
                    ? digits.replace(",", "")
                    : digits.replace(".", "").replace(',', '.');
        } else if (THOUSANDS.matcher(digits).matches()) {
            digits = digits.replace(",", "");
        } else if (comma >= 0) {
            digits = digits.replace(',', '.');
        } else if (dot >= 0 && digits.indexOf('.') != dot) {
            digits = digits.replace(".", "");
        }
        if (!NUMBER.matcher(digits).matches()) return Optional.empty();
        String unsigned = digits.startsWith("+") ? digits.substring(1) : digits;
        return Optional.of(unsigned.startsWith(".") ? "0" + unsigned : unsigned);
    }

    /** Most numbers are written as we write them, which needs no patterns. */
    private static boolean isPlain(String text) {
        int dot = -1;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean firstDot = c == '.' && dot < 0 && i > 0 && i < text.length() - 1;
            if (firstDot) dot = i;
            else if (c < '0' || c > '9') return false;
        }
        return true;
    }
}
