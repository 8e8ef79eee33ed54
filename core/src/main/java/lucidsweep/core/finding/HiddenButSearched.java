package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** An item that searchers were shown and that search engines are kept from now: its clicks will end. */
final class HiddenButSearched extends Check {

    HiddenButSearched() {
        super(Field.INDEXING, "searched", "not indexable, but searched for", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has impressions and is not indexable any longer", "have impressions and are not indexable any longer");
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!item.searched()) return;
        item.noindex().ifPresent(why -> found.accept(finding("it has impressions, but " + why.words())));
    }
}
