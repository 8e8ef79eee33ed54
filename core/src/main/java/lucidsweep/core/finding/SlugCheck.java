package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;

/** A check of the last part of a page's address; the page that a site opens with has none. */
abstract class SlugCheck extends Check {

    SlugCheck(String code, String label) {
        super(Field.SLUG, code, label, Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    final void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!item.isPage()) return;
        Slug slug = Slug.of(item.address());
        if (!slug.isEmpty()) look(slug, item, around, found);
    }

    abstract void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found);
}
