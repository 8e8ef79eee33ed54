package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.page.Slug;

/** Capitals in a slug: servers may take the same address in small letters for another page. */
final class SlugCapitals extends SlugCheck {

    SlugCapitals() {
        super("capitals", "capitals");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains capitals", "contain capitals");
    }

    @Override
    void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (slug.text().codePoints().anyMatch(Character::isUpperCase)) {
            found.accept(finding("“" + slug.text() + "” contains capitals"));
        }
    }
}
