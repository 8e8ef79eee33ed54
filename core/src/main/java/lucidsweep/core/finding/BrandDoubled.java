package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title names the client twice. */
final class BrandDoubled extends TextCheck {

    BrandDoubled() {
        super(Field.TITLE, "brand-doubled", "brand doubled", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "names the brand twice", "name the brand twice");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String key = " " + text.key() + " ";
        for (String brand : around.brandKeys()) {
            int first = key.indexOf(" " + brand + " ");
            if (first < 0 || key.indexOf(" " + brand + " ", first + brand.length()) < 0) continue;
            found.accept(finding("“" + brand + "” stands twice"));
            return;
        }
    }
}
