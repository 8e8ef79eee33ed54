package lucidsweep.core.edit;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.compose.TagList;

/** Adds tags behind those there, none twice. */
public record AddTags(List<String> tags) implements BulkEdit {

    @Override
    public String apply(String text) {
        List<String> all = new ArrayList<>(TagList.of(text));
        for (String tag : tags) if (!TagList.contains(all, tag)) all.add(tag);
        return TagList.join(all);
    }
}
