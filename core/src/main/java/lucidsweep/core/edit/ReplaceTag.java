package lucidsweep.core.edit;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.text.TextKey;

/** Puts one tag in the place of another; where both are there, one goes. */
public record ReplaceTag(String tag, String by) implements BulkEdit {

    @Override
    public String apply(String text) {
        List<String> all = new ArrayList<>();
        for (String each : TagList.of(text)) {
            String now = TextKey.key(each).equals(TextKey.key(tag)) ? by : each;
            if (!TagList.contains(all, now)) all.add(now);
        }
        return TagList.join(all);
    }
}
