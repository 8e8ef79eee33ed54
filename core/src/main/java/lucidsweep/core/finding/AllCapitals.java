package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;

/** A title or description that shouts: nearly all of its letters are capitals. */
final class AllCapitals extends TextCheck {

    private static final int MIN_LETTERS = 10;
    private static final double SHARE = 0.9;

    AllCapitals(Field field) {
        super(field, "all-capitals", "all capitals", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is written in capitals", "are written in capitals");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        int capitals = 0;
        int small = 0;
        String value = text.value();
        for (int i = 0, c; i < value.length(); i += Character.charCount(c)) {
            c = value.codePointAt(i);
            if (Character.isUpperCase(c)) capitals++;
            else if (Character.isLowerCase(c)) small++;
        }
        int letters = capitals + small;
        if (letters >= MIN_LETTERS && capitals >= SHARE * letters) {
            found.accept(finding(capitals + " of " + letters + " letters are capitals"));
        }
    }
}
