package lucidsweep.core.finding;

import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** A page with an Open Graph title but no description, or the other way round. */
final class SharedIncomplete extends CapturedCheck {

    SharedIncomplete() {
        super(Field.HEAD, "shared-incomplete", "Open Graph incomplete");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has one of Open Graph title and description only",
                "have one of Open Graph title and description only");
    }

    @Override
    public String note(PageFacts page, String address) {
        boolean title = page.shared().title().isEmpty();
        boolean description = page.shared().description().isEmpty();
        if (title == description) return "";
        return title ? "og:title is missing" : "og:description is missing";
    }
}
