package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/** A description that promises something and calls nobody to do anything: it has no verb such as "book" or "compare". */
final class WithoutCall extends TextCheck {

    WithoutCall() {
        super(Field.DESCRIPTION, "without-call", "without a call", Cost.APPEAL, Fix.RECIPE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "calls nobody to do anything", "call nobody to do anything");
    }

    @Override
    public String limit(Standard standard) {
        return standard.calls().stream()
                .findFirst()
                .map(call -> "one of " + standard.calls().size() + " words, such as “" + call + "”")
                .orElse("");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!text.present() || around.standard().calls().isEmpty()) return;
        for (String word : text.key().split(" ")) if (around.standard().calls().contains(word)) return;
        found.accept(finding("no word calls to do anything"));
    }
}
