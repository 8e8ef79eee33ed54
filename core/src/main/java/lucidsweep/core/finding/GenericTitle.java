package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title that says nothing: "Home", "Untitled", or the brand alone. */
final class GenericTitle extends TextCheck {

    GenericTitle() {
        super(Field.TITLE, "generic", "generic", Cost.REACH, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "says nothing about the page", "say nothing about their pages");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String key = text.key();
        if (key.isEmpty()) return;
        if (around.brandKeys().contains(key)) found.accept(finding("it is the brand alone"));
        else if (around.standard().generic().contains(withoutBrand(key, around))) {
            found.accept(finding("“" + text.value() + "” could stand on any site"));
        }
    }

    private static String withoutBrand(String key, InspectionContext around) {
        for (String brand : around.brandKeys()) {
            if (key.endsWith(" " + brand))
                return key.substring(0, key.length() - brand.length()).strip();
            if (key.startsWith(brand + " "))
                return key.substring(brand.length()).strip();
        }
        return key;
    }
}
