package lucidsweep.core.compose;

import java.util.Arrays;
import java.util.List;

/** Tags as one text, "kayak hire, sea kayak", and as a list. */
public final class TagList {

    private TagList() {}

    public static List<String> of(String text) {
        return Arrays.stream(text.split("[,;|\\n]"))
                .map(String::strip)
                .filter(tag -> !tag.isEmpty())
                .toList();
    }

    public static String join(List<String> tags) {
        return String.join(", ", tags);
    }
}
