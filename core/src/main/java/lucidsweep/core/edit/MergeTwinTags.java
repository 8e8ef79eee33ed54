package lucidsweep.core.edit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;

/** Keeps the first of tags that say the same: "sea kayak" of "sea kayak, kayaks sea". */
public record MergeTwinTags(Words language) implements BulkEdit {

    @Override
    public String apply(String text) {
        Set<Set<String>> said = new HashSet<>();
        List<String> kept = new ArrayList<>();
        for (String tag : TagList.of(text)) {
            Set<String> stems = language.of(tag).stream().map(Word::stem).collect(Collectors.toSet());
            if (stems.isEmpty() || said.add(stems)) kept.add(tag);
        }
        return TagList.join(kept);
    }
}
