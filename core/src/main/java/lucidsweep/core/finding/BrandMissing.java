package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title does not name the client. */
final class BrandMissing extends TextCheck {

    BrandMissing() {
        super(Field.TITLE, "brand-missing", "brand missing", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "does not name the brand", "do not name the brand");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (around.brandKeys().isEmpty()) return;
        String key = " " + text.key() + " ";
        if (around.brandKeys().stream().noneMatch(brand -> key.contains(" " + brand + " "))) {
            found.accept(finding("the brand is not in the title"));
        }
    }
}
