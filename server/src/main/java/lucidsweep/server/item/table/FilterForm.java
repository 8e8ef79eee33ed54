package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.web.Refusal;

/** A filter as it stands in an address; names as in {@link ItemFilter}. */
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
        String sort,
        Boolean desc,
        Long asOf) {

    public ItemView view(long propertyId) {
        if (check != null
                && !check.isEmpty()
                && !check.equals(ItemFilter.ANY)
                && !Checks.codes().contains(check)) {
            throw Refusal.badInput(
                    "check: expected one of " + String.join(", ", Checks.codes()) + ", got \"" + check + "\"");
        }
        ItemFilter filter =
                new ItemFilter(q, section, field, check, shared, state, target, indexable, set, (List<Long>) null);
        ItemSort by = sort == null || sort.isEmpty() ? ItemSort.ADDRESS : ItemSort.of(sort);
        return new ItemView(propertyId, filter, by, Boolean.TRUE.equals(desc), asOf);
    }
}
