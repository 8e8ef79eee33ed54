package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A text that was cut off before it ever came to a result page: it ends with "…". */
final class CutByAuthor extends TextCheck {

    CutByAuthor(Field field) {
        super(field, "cut-by-author", "cut off in the page", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "breaks off with “…”", "break off with “…”");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String value = text.value().stripTrailing();
        if (!value.endsWith("…") && !value.endsWith("...")) return;
        int from = Math.max(0, value.lastIndexOf(' ', Math.max(0, value.length() - 20)));
        found.accept(finding("it ends with “" + value.substring(from).strip() + "”"));
    }
}
