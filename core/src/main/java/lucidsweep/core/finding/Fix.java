package lucidsweep.core.finding;

import java.util.Locale;
import lucidsweep.core.item.Field;

/** The tool of Rewrite that fixes what a check finds. */
public enum Fix {
    RECIPE,
    CUT,
    REMOVE_BEGINNING,
    REMOVE_ENDING,
    BULK_EDIT,
    TAGS,
    TRANSLATE,
    JOIN,
    BY_HAND;

    /** What writes a text anew; only titles and descriptions are written by recipe. */
    static Fix ofText(Field field) {
        return field == Field.TITLE || field == Field.DESCRIPTION ? RECIPE : BY_HAND;
    }

    /** As it stands in the API: "remove-ending". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
