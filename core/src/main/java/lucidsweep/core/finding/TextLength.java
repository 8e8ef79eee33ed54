package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** Too long for the desktop's slot, the phone's slot or the limit in characters; or so short that the slot is wasted. */
final class TextLength implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (InspectedItem.Text text : item.texts()) {
            if (text.present()) check(text, around.limits(text.field()), found);
        }
    }

    private static void check(InspectedItem.Text text, Standard.TextLimits limits, Consumer<Finding> found) {
        List<String> over = new ArrayList<>();
        Standard.Width width = limits.width(text.value());
        addPx(over, width.desktopOver(), limits.desktop().limitPx(), "on a desktop");
        addPx(over, width.phoneOver(), limits.phone().limitPx(), "on mobile");
        int characters = Graphemes.count(text.value());
        if (characters > limits.maxChars()) {
            over.add((characters - limits.maxChars()) + " characters over " + limits.maxChars());
        }
        if (!over.isEmpty()) {
            found.accept(Finding.of(text.field(), FindingKind.TOO_LONG, String.join(", ", over)));
        } else if (width.px() < limits.minPx()) {
            String evidence =
                    Math.round(width.px()) + " px wide, at least " + Math.round(limits.minPx()) + " px are expected";
            found.accept(Finding.of(text.field(), FindingKind.TOO_SHORT, evidence));
        }
    }

    private static void addPx(List<String> over, double px, double limit, String device) {
        if (px > 0) over.add((long) Math.ceil(px) + " px over " + Math.round(limit) + " " + device);
    }
}
