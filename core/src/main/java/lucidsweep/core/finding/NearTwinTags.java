package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.text.TextKey;

/** Two tags that differ in the order or form of their words only, such as "sea kayak" and "kayaks sea". */
final class NearTwinTags extends TagCheck {

    NearTwinTags() {
        super("near-twins", "near-twin tags");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has tags that say the same", "have tags that say the same");
    }

    @Override
    void look(List<String> tags, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Map<Set<String>, String> known = new HashMap<>();
        List<String> twins = new ArrayList<>();
        for (String tag : tags) {
            Set<String> stems =
                    item.title().language().of(tag).stream().map(Word::stem).collect(Collectors.toSet());
            String first = known.putIfAbsent(stems, tag);
            if (first != null && !TextKey.key(first).equals(TextKey.key(tag))) twins.add(first + " = " + tag);
        }
        if (!twins.isEmpty()) found.accept(finding(String.join(", ", twins)));
    }
}
