package lucidsweep.core.finding;

import java.util.function.Consumer;

/** No title or description, or one without text. */
final class MissingText implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (InspectedItem.Text text : item.texts()) {
            if (text.present()) continue;
            String name = text.field().label();
            if (text.captured() == 0)
                found.accept(Finding.of(text.field(), FindingKind.MISSING, "there is no " + name));
            else found.accept(Finding.of(text.field(), FindingKind.EMPTY, "the " + name + " is present but empty"));
        }
    }
}
