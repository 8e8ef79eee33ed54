package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.BrokenLetters;

/** Letters that were read in the wrong encoding ("â€™", "Ã©"), or entities that were escaped twice ("&amp;amp;", "&amp;#39;"). */
final class BrokenEncoding extends TextCheck {

    BrokenEncoding(Field field) {
        super(field, "broken-encoding", "broken encoding", Cost.APPEAL, Fix.BULK_EDIT);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "contains broken characters", "contain broken characters");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!text.hasAny("\uFFFDâÂÃ&")) return;
        BrokenLetters.first(text.value()).ifPresent(broken -> found.accept(finding("“" + broken + "” stands in it")));
    }
}
