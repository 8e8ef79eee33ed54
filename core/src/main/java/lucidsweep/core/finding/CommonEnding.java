package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import lucidsweep.core.text.Graphemes;

/** A title with the same long ending as many others. */
public final class CommonEnding extends TextCheck {

    public static final String CODE = "common-ending";

    private static final String FITS_WITHOUT = ", without which the title fits";

    CommonEnding() {
        super(Field.TITLE, CODE, "common ending", Cost.APPEAL, Fix.REMOVE_ENDING);
    }

    /** Whether a title fits once its ending is gone, by the evidence of the finding that it has the ending. */
    public static boolean fitsWithout(String evidence) {
        return evidence.endsWith(FITS_WITHOUT);
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "ends as many others do", "end as many others do");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + Math.round(standard.alike().endingPx()) + " px on "
                + Math.round(standard.alike().endingShare() * 100) + "% of the titles";
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String title = text.value();
        for (Ending ending : around.endings()) {
            if (!title.endsWith(ending.text())) continue;
            String rest = title.substring(0, title.length() - ending.text().length());
            boolean fits = around.standard().title().fits(rest, Graphemes.count(rest));
            String evidence = "“" + ending.text().strip() + "” ends " + ending.count() + " titles and costs "
                    + Math.round(ending.px()) + " px" + (fits ? FITS_WITHOUT : "");
            found.accept(new Finding(this, evidence, ending.text()));
            return;
        }
    }
}
