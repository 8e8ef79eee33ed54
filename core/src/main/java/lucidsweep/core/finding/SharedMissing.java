package lucidsweep.core.finding;

import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageFacts;

/** A page that does not say how it wants to be shown where it is shared. */
final class SharedMissing extends CapturedCheck {

    SharedMissing() {
        super(Field.HEAD, "shared-missing", "Open Graph missing");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has neither an Open Graph title nor a description",
                "have neither an Open Graph title nor a description");
    }

    @Override
    public String note(PageFacts page, String address) {
        boolean none =
                page.shared().title().isEmpty() && page.shared().description().isEmpty();
        return none ? "neither og:title nor og:description" : "";
    }
}
