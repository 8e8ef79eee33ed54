package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Emoji;

/** More emoji than the standard allows. */
final class TooManyEmoji extends TextCheck {

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
        int max = around.standard().wording().maxEmoji();
        int emoji = Emoji.count(text.value());
        if (emoji > max) found.accept(finding(emoji + " emoji, " + max + (max == 1 ? " is" : " are") + " allowed"));
    }
}
