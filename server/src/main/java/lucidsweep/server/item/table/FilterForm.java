package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.finding.FindingKind;
import lucidsweep.core.item.Field;

/** A filter as it stands in an address; names as in {@link ItemFilter}. */
public record FilterForm(
        String q,
        String section,
        Field field,
        FindingKind kind,
        String shared,
        String state,
        String target,
        String indexable,
        String sort,
        Boolean desc,
        Long asOf) {

    public ItemView view(long propertyId) {
        ItemFilter filter =
                new ItemFilter(q, section, field, kind, shared, state, target, indexable, (List<Long>) null);
        ItemSort by = sort == null || sort.isEmpty() ? ItemSort.ADDRESS : ItemSort.of(sort);
        return new ItemView(propertyId, filter, by, Boolean.TRUE.equals(desc), asOf);
    }
}
