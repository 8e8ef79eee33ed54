package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** Links that show nothing at all. */
final class LinkWithoutText extends CapturedCheck {

    LinkWithoutText() {
        super(Field.LINKS, "missing", "missing");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("has links without a text", "have links without a text");
    }

    @Override
    public String note(PageFacts page, String address) {
        List<String> empty = page.links().stream()
                .filter(link -> link.shows() == PageFacts.Link.Shows.NOTHING)
                .map(PageFacts.Link::address)
                .toList();
        return some(empty, page.links().size(), "link");
    }
}
