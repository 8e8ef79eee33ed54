package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** Images without an alt attribute; an empty one says that the image is mere decoration. */
final class AltMissing extends CapturedCheck {

    AltMissing() {
        super(Field.IMAGES, "missing", "missing");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has images without an alt text", "have images without an alt text");
    }

    @Override
    public String note(PageFacts page, String address) {
        List<String> without = page.images().stream()
                .filter(image -> image.alt() == null)
                .map(PageFacts.Image::address)
                .toList();
        return some(without, page.images().size(), "image");
    }
}
