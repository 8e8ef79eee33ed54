package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** A title or description that is told apart from others by a place, a number or a name only. */
public final class Patterned extends TextCheck {

    public static final String CODE = "patterned";

    Patterned(Field field) {
        super(field, CODE, "told apart by a name only", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(
                field(),
                "is told apart from others by a place, a number or a name only",
                "are told apart by a place, a number or a name only");
    }

    @Override
    String saysShared(int items, String shared, String example) {
        return Sentence.number(items) + " " + field().label()
                + "s are told apart by a place, a number or a name only, such as “" + example + "”.";
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.wording().maxSeries() + " of one pattern";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.noindex().isPresent() || text.alike().same() > 1) return;
        text.alike()
                .series()
                .filter(series -> series.texts() > around.standard().wording().maxSeries())
                .ifPresent(series -> found.accept(new Finding(
                        this,
                        "one of " + Sentence.number(series.texts()) + " like “" + series.pattern() + "”",
                        series.pattern())));
    }
}
