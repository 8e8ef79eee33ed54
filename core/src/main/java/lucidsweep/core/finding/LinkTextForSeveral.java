package lucidsweep.core.finding;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.text.TextKey;

/** The same words in the copy of one page that lead to different pages. */
final class LinkTextForSeveral extends CapturedCheck {

    LinkTextForSeveral() {
        super(Field.LINKS, "ambiguous", "same for different pages");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "links to different pages by the same words", "link to different pages by the same words");
    }

    @Override
    public String note(PageFacts page, String address) {
        Map<String, Set<String>> targets = new TreeMap<>();
        Map<String, String> texts = new TreeMap<>();
        for (PageFacts.Link link : ownLinks(page, address)) {
            if (link.text().isBlank()) continue;
            if (LinkTextSaysNothing.saysNothing(link.text())) continue;
            String key = TextKey.key(link.text());
            targets.computeIfAbsent(key, any -> new HashSet<>()).add(link.address());
            texts.putIfAbsent(key, "“" + link.text() + "”");
        }
        List<String> several = targets.entrySet().stream()
                .filter(same -> same.getValue().size() > 1)
                .map(same -> texts.get(same.getKey()))
                .toList();
        return some(several, targets.size(), "text");
    }
}
