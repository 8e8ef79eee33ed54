package lucidsweep.core.finding;

import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** The keywords element that search engines have not read for many years; rivals do. */
final class ObsoleteKeywords extends CapturedCheck {

    ObsoleteKeywords() {
        super(Field.HEAD, "obsolete-keywords", "obsolete keywords");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("still has a meta keywords element", "still have a meta keywords element");
    }

    @Override
    public String note(PageFacts page, String address) {
        String keywords = page.head().metaKeywords();
        return keywords.isEmpty() ? "" : "“" + clipped(keywords) + "”";
    }
}
