package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** What the titles of a template have in common, as findings say it: their ending, their beginning, or all but a name. */
public final class TitlePatterns {

    private static final String REST = "…";

    private TitlePatterns() {}

    /**
     * The pattern that a finding says of a title: "… | Hire", "Our shop: …", "Sea cave tour at …"; "" where it says none.
     *
     * @param shared what items with the finding share
     */
    public static String of(Field field, String check, String shared) {
        if (field != Field.TITLE || shared.isBlank()) return "";
        return switch (check) {
            case CommonEnding.CODE -> REST + shared;
            case CommonBeginning.CODE -> shared + REST;
            case Patterned.CODE -> shared;
            default -> "";
        };
    }
}
