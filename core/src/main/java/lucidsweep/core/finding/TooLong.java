package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** Too wide for a result page on a desktop or on mobile, or too long in characters. */
final class TooLong extends TextCheck {

    TooLong(Field field) {
        super(field, "too-long", "too long", Cost.APPEAL, Fix.CUT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is cut off on result pages", "are cut off on result pages");
    }

    @Override
    public String limit(Standard standard) {
        Standard.TextLimits limits = standard.limits(field());
        return "at most " + Math.round(limits.desktop().limitPx()) + " px on a desktop, "
                + Math.round(limits.phone().limitPx()) + " px on mobile, " + limits.maxChars() + " characters";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Standard.TextLimits limits = around.standard().limits(field());
        List<String> over = new ArrayList<>();
        Standard.Width width = text.width(limits);
        addPx(over, width.desktopOver(), limits.desktop().limitPx(), "on a desktop");
        addPx(over, width.phoneOver(), limits.phone().limitPx(), "on mobile");
        if (text.characters() > limits.maxChars()) {
            over.add((text.characters() - limits.maxChars()) + " characters over " + limits.maxChars());
        }
        if (!over.isEmpty()) found.accept(finding(String.join(", ", over)));
    }

    private static void addPx(List<String> over, double px, double limit, String device) {
        if (px > 0) over.add((long) Math.ceil(px) + " px over " + Math.round(limit) + " " + device);
    }
}
