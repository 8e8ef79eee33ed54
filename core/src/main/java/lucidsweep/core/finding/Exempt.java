package lucidsweep.core.finding;

import java.util.Set;
import lucidsweep.core.item.Field;

/**
 * What a person says stands as it is, although checks may say otherwise.
 *
 * @param fields kept whole: no check looks at them
 * @param checks the ids of single checks: "title too-long"
 */
public record Exempt(Set<Field> fields, Set<String> checks) {

    public static final Exempt NOTHING = new Exempt(Set.of(), Set.of());

    boolean has(Check check) {
        return !fields.isEmpty() && fields.contains(check.field()) || !checks.isEmpty() && checks.contains(check.id());
    }
}
