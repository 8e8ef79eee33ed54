package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.text.TextKey;

/** The same title or description on several indexable items; case, spacing and punctuation do not count. */
final class DuplicateText implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.noindex().isPresent()) return;
        for (InspectedItem.Text text : item.texts()) {
            if (!text.present() || text.alike() < 2) continue;
            int others = text.alike() - 1;
            String evidence = others == 1
                    ? "the same as " + text.twin()
                    : "the same as " + text.twin() + " and " + (others - 1) + (others == 2 ? " other" : " others");
            found.accept(new Finding(text.field(), FindingKind.DUPLICATE, evidence, TextKey.key(text.value())));
        }
    }
}
