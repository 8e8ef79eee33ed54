package lucidsweep.core.finding;

import java.util.List;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;

/**
 * What an item is held against.
 *
 * @param endings the common endings of the property's titles
 * @param brandKeys the client's brand words, as {@code TextKey.key} gives them
 */
public record InspectionContext(Standard standard, List<Ending> endings, Set<String> brandKeys) {

    Standard.TextLimits limits(Field field) {
        return field == Field.TITLE ? standard.title() : standard.description();
    }
}
