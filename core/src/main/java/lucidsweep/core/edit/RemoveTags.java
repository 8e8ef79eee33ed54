package lucidsweep.core.edit;

import java.util.List;
import lucidsweep.core.compose.TagList;

/** Removes tags, whatever their case. */
public record RemoveTags(List<String> tags) implements BulkEdit {

    @Override
    public String apply(String text) {
        return TagList.join(TagList.of(text).stream()
                .filter(tag -> !TagList.contains(tags, tag))
                .toList());
    }
}
