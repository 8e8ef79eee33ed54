package lucidsweep.core.finding;

import lucidsweep.core.text.CommonPart;

/** A title with the same long ending as many others. */
final class CommonEnding extends CommonPartCheck {

    static final String CODE = "common-ending";

    CommonEnding() {
        super(CommonPart.Side.END, CODE, "common ending", "end", Fix.REMOVE_ENDING);
    }

    @Override
    boolean isOfUse(String ending, InspectedText text, InspectedItem item, InspectionContext around) {
        return false;
    }
}
