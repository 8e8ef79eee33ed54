package lucidsweep.core.finding;

import java.util.Locale;

/** The tool of Rewrite that fixes what a check finds. */
public enum Fix {
    RECIPE,
    CUT,
    REMOVE_ENDING,
    BULK_EDIT,
    TAGS,
    BY_HAND;

    /** As it stands in the API: "remove-ending". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
