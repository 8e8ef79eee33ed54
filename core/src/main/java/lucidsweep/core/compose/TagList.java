package lucidsweep.core.compose;

import java.util.List;
import java.util.regex.Pattern;

/** Tags as one text, "kayak hire, sea kayak", and as a list. */
public final class TagList {

    private static final Pattern BETWEEN = Pattern.compile("[,;|\\n]");

    private TagList() {}

    public static List<String> of(String text) {
        return BETWEEN.splitAsStream(text)
                .map(String::strip)
                .filter(tag -> !tag.isEmpty())
                .toList();
    }

    public static String join(List<String> tags) {
        return String.join(", ", tags);
    }
}
