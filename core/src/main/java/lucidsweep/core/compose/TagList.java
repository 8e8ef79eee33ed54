package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.text.TextKey;

/** Tags as one text, "kayak hire, sea kayak", and as a list. */
public final class TagList {

    private static final String BETWEEN = ",;|\n";

    private TagList() {}

    public static List<String> of(String text) {
        List<String> tags = new ArrayList<>();
        int start = 0;
        for (int i = 0; i <= text.length(); i++) {
            if (i < text.length() && BETWEEN.indexOf(text.charAt(i)) < 0) continue;
            String tag = text.substring(start, i).strip();
            if (!tag.isEmpty()) tags.add(tag);
            start = i + 1;
        }
        return List.copyOf(tags);
    }

    /** Whether a tag is among others, whatever its case and punctuation. */
    public static boolean contains(List<String> tags, String wanted) {
        String key = TextKey.key(wanted);
        return tags.stream().anyMatch(tag -> TextKey.key(tag).equals(key));
    }

    public static String join(List<String> tags) {
        return String.join(", ", tags);
    }
}
