package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** More emoji than the standard allows. */
final class TooManyEmoji extends TextCheck {

    private static final int FIRST = 0x2600;

    TooManyEmoji(Field field) {
        super(field, "emoji", "too many emoji", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has too many emoji", "have too many emoji");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + standard.wording().maxEmoji();
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (text.value().chars().noneMatch(c -> c >= FIRST)) return;
        int max = around.standard().wording().maxEmoji();
        long emoji = text.value().codePoints().filter(TooManyEmoji::isEmoji).count();
        if (emoji > max) found.accept(finding(emoji + " emoji, " + max + (max == 1 ? " is" : " are") + " allowed"));
    }

    /** Joiners, skin tones and variation selectors belong to the emoji before them. */
    private static boolean isEmoji(int c) {
        return c >= 0x1F300 && c <= 0x1FAFF && !(c >= 0x1F3FB && c <= 0x1F3FF) || c >= 0x2600 && c <= 0x27BF;
    }
}
