package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.web.Refusal;

/**
 * A filter as it stands in an address; names as in {@link ItemFilter}.
 *
 * @param life "new", "back" or "old", and behind a space the moment of a sweep in seconds since 1970
 * @param sort the name of a column, with "-" in front for the largest first
 */
public record FilterForm(
        String q,
        String section,
        Field field,
        String check,
        String shared,
        String state,
        String target,
        String indexable,
        Long set,
        String life,
        String sort,
        Long asOf) {

    public ItemView view(long propertyId) {
        if (check != null
                && !check.isEmpty()
                && !check.equals(ItemFilter.ANY)
                && !Checks.codes().contains(check)) {
            throw Refusal.badInput(
                    "check: expected one of " + String.join(", ", Checks.codes()) + ", got \"" + check + "\"");
        }
        ItemFilter filter = new ItemFilter(
                q, section, field, check, shared, state, target, indexable, set, LifeFilter.of(life), (List<Long>)
                        null);
        boolean falling = sort != null && sort.startsWith("-");
        String name = sort == null ? "" : falling ? sort.substring(1) : sort;
        ItemSort by = name.isEmpty() ? ItemSort.ADDRESS : ItemSort.of(name);
        return new ItemView(propertyId, filter, by, falling, asOf);
    }
}
