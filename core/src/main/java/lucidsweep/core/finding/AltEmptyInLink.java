package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** Links that show nothing but an image without words: neither a search engine nor a screen reader knows where they lead. */
final class AltEmptyInLink extends CapturedCheck {

    AltEmptyInLink() {
        super(Field.IMAGES, "empty-in-link", "empty in a link");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("links by images without an alt text", "link by images without an alt text");
    }

    @Override
    public String note(PageFacts page, String address) {
        List<String> wordless = page.links().stream()
                .filter(link -> link.shows() == PageFacts.Link.Shows.PICTURE
                        && link.text().isEmpty())
                .map(PageFacts.Link::address)
                .toList();
        return some(wordless, page.links().size(), "link");
    }
}
