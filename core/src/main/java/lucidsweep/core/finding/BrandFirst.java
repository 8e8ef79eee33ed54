package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title begins with the client's name where it should come last. */
final class BrandFirst extends TextCheck {

    BrandFirst() {
        super(Field.TITLE, "brand-first", "brand first", Cost.REACH, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "begins with the brand", "begin with the brand");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (String brand : around.brandKeys()) {
            if (!text.key().startsWith(brand + " ")) continue;
            found.accept(finding("“" + brand + "” comes first, expected last"));
            return;
        }
    }
}
