package lucidsweep.core.finding;

import java.util.Locale;
import lucidsweep.core.item.Field;

/**
 * What findings have in common, so that one action fixes them.
 *
 * @param shared the ending or the text they share; "" where it is only the kind
 * @param section the folder they all stand in; "" where they stand in many
 * @param links the links to their items, which stand in for demand until it arrives
 * @param weight what causes are ranked by: links times what the field matters
 * @param says the cause in a sentence
 * @param fix the action that fixes it
 */
public record Cause(
        Field field,
        FindingKind kind,
        String shared,
        String section,
        int items,
        long links,
        double weight,
        String says,
        Fix fix) {

    /** The tool of Rewrite that fits a cause. */
    public enum Fix {
        RECIPE,
        CUT,
        REMOVE_ENDING,
        TAGS,
        BY_HAND;

        /** As it stands in the API: "remove-ending". */
        @Override
        public String toString() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
