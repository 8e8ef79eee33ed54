package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** A title or description that differs from another by little; what is the same, or told apart by a place, is said otherwise. */
public final class NearDuplicate extends TextCheck {

    public static final String CODE = "near-duplicate";

    NearDuplicate(Field field) {
        super(field, CODE, "nearly the same as another", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is nearly the same as another", "are nearly the same as others");
    }

    @Override
    String saysShared(int items, String shared, String example) {
        return Sentence.number(items) + " " + field().label() + "s are nearly the same: “" + example + "”.";
    }

    @Override
    public String limit(Standard standard) {
        return Math.round(100 * standard.alike().of(field()).near()) + "% of their runs of four letters";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.noindex().isPresent() || text.alike().same() > 1) return;
        text.alike()
                .near()
                .ifPresent(near -> found.accept(new Finding(
                        this,
                        Math.round(100 * near.likeness()) + "% the same as that of " + near.address(),
                        near.group())));
    }
}
