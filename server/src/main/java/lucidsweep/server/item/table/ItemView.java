package lucidsweep.server.item.table;

/** A table of items: whose, which, in what order, and as of which revision (null: now). */
public record ItemView(long propertyId, ItemFilter filter, ItemSort sort, boolean descending, Long asOf) {

    public static ItemView of(long propertyId, ItemFilter filter) {
        return new ItemView(propertyId, filter, ItemSort.ADDRESS, false, null);
    }
}
