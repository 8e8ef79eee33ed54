package lucidsweep.server.item.table;

/**
 * A table of items.
 *
 * @param asOf the revision as of which it is in order; null for now
 * @param among the name of {@link PickedItems} that it is narrowed to; null for all
 */
public record ItemView(long propertyId, ItemFilter filter, ItemSort sort, boolean descending, Long asOf, String among) {

    public static ItemView of(long propertyId, ItemFilter filter) {
        return new ItemView(propertyId, filter, ItemSort.ADDRESS, false, null, null);
    }
}
