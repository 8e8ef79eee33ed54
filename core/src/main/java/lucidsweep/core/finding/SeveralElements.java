package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** More than one title, description or H1 on a page. */
final class SeveralElements implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (InspectedItem.Text text : item.texts()) report(text.field(), text.captured(), found);
        report(Field.H1, item.h1Count(), found);
    }

    private static void report(Field field, int count, Consumer<Finding> found) {
        if (count < 2) return;
        String evidence = "the page has " + count + " " + field.label() + (field == Field.H1 ? " headings" : "s");
        found.accept(Finding.of(field, FindingKind.SEVERAL, evidence));
    }
}
