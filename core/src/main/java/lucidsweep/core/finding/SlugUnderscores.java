package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.page.Slug;

/** Underscores in a slug, which join words for search engines, where hyphens part them. */
final class SlugUnderscores extends SlugCheck {

    SlugUnderscores() {
        super("underscores", "underscores");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains underscores", "contain underscores");
    }

    @Override
    void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (slug.text().indexOf('_') >= 0) found.accept(finding("“" + slug.text() + "” contains underscores"));
    }
}
