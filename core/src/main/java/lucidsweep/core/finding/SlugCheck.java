package lucidsweep.core.finding;

import java.util.Locale;
import java.util.Set;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;

/** A check of the last part of a page's address; the page that a site or folder opens with has none. */
abstract class SlugCheck extends Check {

    /** What a server shows for the folder itself. */
    private static final Set<String> INDEX = Set.of("index", "default");

    SlugCheck(String code, String label) {
        super(Field.SLUG, code, label, Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    final void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!item.isPage()) return;
        Slug slug = item.address().slug();
        if (!slug.isEmpty() && !INDEX.contains(slug.text().toLowerCase(Locale.ROOT))) look(slug, item, around, found);
    }

    abstract void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found);
}
