package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.CommonPart;
import lucidsweep.core.text.Graphemes;

/** A title that has the same long beginning or ending as many others. */
public abstract class CommonPartCheck extends TextCheck {

    private static final String FITS_WITHOUT = ", without which the title fits";

    private final CommonPart.Side side;
    private final String verb;

    CommonPartCheck(CommonPart.Side side, String code, String name, String verb, Fix fix) {
        super(Field.TITLE, code, name, Cost.APPEAL, fix);
        this.side = side;
        this.verb = verb;
    }

    /** Whether a title fits once its common part is gone, by the evidence of the finding that it has it. */
    public static boolean fitsWithout(String evidence) {
        return evidence.endsWith(FITS_WITHOUT);
    }

    @Override
    public boolean isShared() {
        return true;
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), verb + "s as many others do", verb + " as many others do");
    }

    /**
     * What many titles share, in words: "78 titles end in the same 46 letters, “| Tarrin Bay Kayaks: hire, tours and
     * lessons”. Without them, 74 fit."
     *
     * @param fit how many of them fit without it
     */
    String saysShared(int items, String part, int fit) {
        String text = part.strip();
        String verbs = items == 1 ? verb + "s" : verb;
        return Sentence.number(items) + (items == 1 ? " title " : " titles ") + verbs
                + (side == CommonPart.Side.END ? " in" : " with") + " the same " + text.length() + " letters, “" + text
                + "”. Without them, " + Sentence.number(fit) + (fit == 1 ? " fits." : " fit.");
    }

    @Override
    public String limit(Standard standard) {
        return "at most " + Math.round(standard.alike().endingPx()) + " px on "
                + Math.round(standard.alike().endingShare() * 100) + "% of the titles";
    }

    /** Whether a part that many titles share is of use where it stands. */
    abstract boolean isOfUse(String part, InspectedText text, InspectedItem item, InspectionContext around);

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String title = text.value();
        for (CommonPart part : around.commonParts()) {
            if (part.side() != side || !part.isIn(title) || isOfUse(part.text(), text, item, around)) continue;
            String rest = part.cutFrom(title);
            boolean fits = around.standard().title().fits(rest, Graphemes.count(rest));
            String evidence = "“" + part.text().strip() + "” " + verb + "s " + part.count() + " titles and costs "
                    + Math.round(part.px()) + " px" + (fits ? FITS_WITHOUT : "");
            found.accept(new Finding(this, evidence, part.text()));
            return;
        }
    }
}
