package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** An item that search engines are kept from; what else is wrong with it is set apart and not counted. */
public final class NotIndexable extends Check {

    public static final String CODE = "not-indexable";

    NotIndexable() {
        super(Field.INDEXING, CODE, "not indexable", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("is not indexable", "are not indexable");
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        item.noindex().ifPresent(why -> found.accept(finding(why.words())));
    }
}
