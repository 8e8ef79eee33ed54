package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.Ending;
import lucidsweep.core.text.Graphemes;

/** A title with the same long ending as many others. */
public final class CommonEnding implements Rule {

    private static final String FITS_WITHOUT = ", without which the title fits";

    CommonEnding() {}

    /** Whether a title fits once its ending is gone, by the evidence of the finding that it has the ending. */
    public static boolean fitsWithout(String evidence) {
        return evidence.endsWith(FITS_WITHOUT);
    }

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        for (Ending ending : around.endings()) {
            String title = item.title().value();
            if (!title.endsWith(ending.text())) continue;
            String rest = title.substring(0, title.length() - ending.text().length());
            boolean fits = around.standard().title().fits(rest, Graphemes.count(rest));
            String evidence = "“" + ending.text().strip() + "” ends " + ending.count() + " titles and costs "
                    + Math.round(ending.px()) + " px" + (fits ? FITS_WITHOUT : "");
            found.accept(new Finding(Field.TITLE, FindingKind.COMMON_ENDING, evidence, ending.text()));
            return;
        }
    }
}
