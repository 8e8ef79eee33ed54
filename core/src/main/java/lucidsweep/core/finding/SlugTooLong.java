package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.Standard;

/** A slug that nobody would read to its end. */
final class SlugTooLong extends SlugCheck {

    SlugTooLong() {
        super("too-long", "too long");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is too long", "are too long");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.pages().maxSlugChars() + " characters";
    }

    @Override
    void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int over = slug.text().length() - around.standard().pages().maxSlugChars();
        if (over > 0)
            found.accept(finding(over + " characters over " + (slug.text().length() - over)));
    }
}
