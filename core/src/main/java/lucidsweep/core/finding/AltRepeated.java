package lucidsweep.core.finding;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.text.TextKey;

/** The same alternative text on several different images of one page. */
final class AltRepeated extends CapturedCheck {

    private static final int MANY = 3;

    AltRepeated() {
        super(Field.IMAGES, "repeated", "same on several images");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has one alt text on several images", "have one alt text on several images");
    }

    @Override
    public String note(PageFacts page, String address) {
        if (page.images().size() < MANY) return "";
        Map<String, Set<String>> images = new TreeMap<>();
        Map<String, String> texts = new TreeMap<>();
        for (PageFacts.Image image : page.images()) {
            if (image.alt() == null || image.alt().isBlank()) continue;
            String key = TextKey.key(image.alt());
            images.computeIfAbsent(key, any -> new HashSet<>()).add(image.address());
            texts.putIfAbsent(key, image.alt());
        }
        return images.entrySet().stream()
                .filter(same -> same.getValue().size() >= MANY)
                .max(Map.Entry.comparingByValue((a, b) -> Integer.compare(a.size(), b.size())))
                .map(same -> same.getValue().size() + " images: “" + clipped(texts.get(same.getKey())) + "”")
                .orElse("");
    }
}
