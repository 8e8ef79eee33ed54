package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.Ending;

/** A title with the same long ending as many others. */
final class CommonEnding implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (Ending ending : around.endings()) {
            if (!item.title().value().endsWith(ending.text())) continue;
            String evidence = "“" + ending.text().strip() + "” ends " + ending.count() + " titles and costs "
                    + Math.round(ending.px()) + " px";
            found.accept(new Finding(Field.TITLE, FindingKind.COMMON_ENDING, evidence, ending.text()));
            return;
        }
    }
}
