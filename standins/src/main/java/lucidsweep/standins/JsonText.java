package lucidsweep.standins;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads and writes the few kinds of JSON that the stand-ins speak. */
final class JsonText {

    /** A string with its escapes, in a group of its own. */
    static final String STRING = "\"((?:[^\"\\\\]++|\\\\.)*+)\"";

    private static final Pattern PAIR = Pattern.compile(STRING + "\\s*:\\s*" + STRING);
    private static final Pattern TEXT = Pattern.compile(STRING);

    private JsonText() {}

    /** A text in quotation marks. */
    static String quoted(String text) {
        return '"'
                + text.replace("\\", "\\\\")
                        .replace("\"", "\\\"")
                        .replace("\n", "\\n")
                        .replace("\r", "\\r")
                        .replace("\t", "\\t")
                + '"';
    }

    /** What stands between quotation marks, without its escapes. */
    static String plain(String escaped) {
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < escaped.length(); i++) {
            char c = escaped.charAt(i);
            if (c != '\\') {
                plain.append(c);
                continue;
            }
            char next = escaped.charAt(++i);
            if (next == 'u') {
                plain.append((char) Integer.parseInt(escaped.substring(i + 1, i + 5), 16));
                i += 4;
            } else plain.append(ofEscape(next));
        }
        return plain.toString();
    }

    private static char ofEscape(char c) {
        return switch (c) {
            case 'n' -> '\n';
            case 't' -> '\t';
            case 'r' -> '\r';
            case 'b' -> '\b';
            case 'f' -> '\f';
            default -> c;
        };
    }

    /** The pairs of names and texts, wherever in an object they stand. */
    static Map<String, String> texts(String json) {
        Map<String, String> texts = new LinkedHashMap<>();
        Matcher pair = PAIR.matcher(json);
        while (pair.find()) texts.put(plain(pair.group(1)), plain(pair.group(2)));
        return texts;
    }

    /** The texts of an array. */
    static List<String> list(String json) {
        List<String> list = new ArrayList<>();
        Matcher text = TEXT.matcher(json);
        while (text.find()) list.add(plain(text.group(1)));
        return list;
    }
}
