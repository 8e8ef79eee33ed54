package lucidsweep.server.item.table;

import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The items that something shall be done with: those listed, or all that a filter means.
 *
 * @param ids exactly these; null for all of the filter
 * @param filter null for all
 * @param except left out of the filter's items; null for none
 */
public record Selection(List<@NotNull Long> ids, ItemFilter filter, List<@NotNull Long> except) {

    /** The ids meant, in ascending order. */
    public long[] resolve(long propertyId, Items items) {
        ItemFilter wanted = ids != null ? ItemFilter.ofIds(ids) : filter != null ? filter : ItemFilter.ALL;
        long[] all = items.ids(propertyId, wanted);
        if (except == null || except.isEmpty()) return all;
        Set<Long> out = new HashSet<>(except);
        return Arrays.stream(all).filter(id -> !out.contains(id)).toArray();
    }
}
