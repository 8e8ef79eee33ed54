package lucidsweep.core.finding;

import java.util.HashMap;
import java.util.Map;
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
        Map<String, PageFacts.Link> firsts = new HashMap<>();
        Map<String, String> several = new TreeMap<>();
        for (PageFacts.Link link : ownLinks(page, address)) {
            if (link.text().isBlank()) continue;
            String key = TextKey.key(link.text());
            if (LinkTextSaysNothing.saysNothing(link.text(), key)) continue;
            PageFacts.Link first = firsts.putIfAbsent(key, link);
            if (first != null && !first.address().equals(link.address())) several.put(key, "“" + first.text() + "”");
        }
        return some(several.values(), firsts.size(), "text");
    }
}
