package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/**
 * The same title or description on several indexable items; case, spacing and punctuation do not count. Where the addresses say
 * why, such as the same page in another language, all of that kind share it; else they share the text.
 */
final class DuplicateText extends TextCheck {

    DuplicateText(Field field) {
        super(field, "duplicate", "duplicate", field == Field.TITLE ? Cost.REACH : Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "stands on another item, too", "are used on several items");
    }

    @Override
    String saysShared(int items, String shared, String example) {
        return CopyOf.ofShared(shared)
                .map(copy -> copy.says(items, field()))
                .orElseGet(() -> super.saysShared(items, shared, example));
    }

    @Override
    Fix fix(String shared) {
        return CopyOf.ofShared(shared).map(CopyOf::fix).orElse(fix());
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.noindex().isPresent() || text.alike().same() < 2) return;
        int others = text.alike().same() - 1;
        String evidence = others == 1
                ? "the same as " + text.alike().twin()
                : "the same as " + text.alike().twin() + " and " + (others - 1) + (others == 2 ? " other" : " others");
        found.accept(new Finding(
                this,
                evidence,
                CopyOf.of(item.address().text(), text.alike().twin())
                        .map(CopyOf::shared)
                        .orElseGet(text::key)));
    }
}
