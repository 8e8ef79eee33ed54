package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.TextKey;

/** A title that says nothing: "Home", "Untitled", or the brand alone. */
final class GenericTitle implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String key = TextKey.key(item.title().value());
        if (key.isEmpty()) return;
        if (around.brandKeys().contains(key)) report("it is the brand alone", found);
        else if (around.standard().generic().contains(withoutBrand(key, around))) {
            report("“" + item.title().value() + "” could stand on any site", found);
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

    private static void report(String evidence, Consumer<Finding> found) {
        found.accept(Finding.of(Field.TITLE, FindingKind.GENERIC, evidence));
    }
}
