package lucidsweep.core.writer;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.text.WrittenNumber;

/**
 * A number in a text.
 *
 * @param value with "." before its decimals and no trailing zeros: "45"
 * @param written as the text writes it, with its sign: "£45.00"
 * @param start, end where it stands, in UTF-16 units
 */
record Amount(Kind kind, String value, String written, int start, int end) {

    /** Forty pounds, forty percent and forty boats are not the same. */
    enum Kind {
        PLAIN,
        MONEY,
        PERCENT
    }

    private static final String MONEY =
            "[£$€¥]|(?<!\\p{L})(?:GBP|EUR|USD|CHF|PLN|euros?|pounds?|dollars?)(?!\\p{L})|zł|(?<!\\p{L})kr(?!\\p{L})";
    private static final Pattern NUMBER = Pattern.compile(
            "(?<before>(?:" + MONEY
                    + ")\\s?)?(?<number>\\d{1,2}:\\d{2}(?!\\d)|\\d+(?:[.,'’\\u00A0\\u202F]\\d{3})*(?:[.,]\\d+)?)"
                    + "(?<after>\\s?(?:" + MONEY + "|%|(?<!\\p{L})percent(?!\\p{L})|Prozent(?!\\p{L})))?",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    /** Whether it is a time of day or a place in a film, which counts nothing. */
    boolean isTime() {
        return value.contains(":");
    }

    /** All numbers of a text in their order; "three" is one, too. */
    static List<Amount> in(String text, Words language) {
        List<Amount> found = new ArrayList<>();
        Matcher number = NUMBER.matcher(text);
        while (number.find()) {
            String written = number.group("number");
            String value = written.contains(":")
                    ? written.replaceFirst(":00$", "")
                    : WrittenNumber.plain(written).orElse(written);
            found.add(new Amount(
                    kind(number.group("before"), number.group("after")),
                    value.contains(".") ? value.replaceAll("\\.?0+$", "") : value,
                    number.group().strip(),
                    number.start(),
                    number.end()));
        }
        Map<String, String> named = language.language().numbers();
        for (Word word : language.of(text)) {
            String value = named.get(word.text().toLowerCase(Locale.ROOT));
            if (value != null) found.add(new Amount(Kind.PLAIN, value, word.text(), word.start(), word.end()));
        }
        return found;
    }

    private static Kind kind(String before, String after) {
        if (before != null) return Kind.MONEY;
        if (after == null) return Kind.PLAIN;
        String sign = after.strip().toLowerCase(Locale.ROOT);
        return sign.equals("%") || sign.equals("percent") || sign.equals("prozent") ? Kind.PERCENT : Kind.MONEY;
    }
}
