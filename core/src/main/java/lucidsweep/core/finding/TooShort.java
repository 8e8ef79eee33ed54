package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** So short that the room on a result page is wasted. */
final class TooShort extends TextCheck {

    TooShort(Field field) {
        super(field, "too-short", "too short", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is so short that space is wasted", "are so short that space is wasted");
    }

    @Override
    public String limit(Standard standard) {
        return "at least " + Math.round(standard.limits(field()).minPx()) + " px";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Standard.TextLimits limits = around.standard().limits(field());
        double px = text.width(limits).px();
        if (px >= limits.minPx()) return;
        found.accept(finding(Math.round(px) + " px wide, at least " + Math.round(limits.minPx()) + " px are expected"));
    }
}
