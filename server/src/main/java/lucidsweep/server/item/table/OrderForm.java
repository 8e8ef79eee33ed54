package lucidsweep.server.item.table;

/**
 * The order of a table as it stands in an address.
 *
 * @param sort the name of a column, with "-" in front for the largest first
 * @param asOf the revision whose order is meant; null for the order as it is now
 * @param among the name of {@link PickedItems} that it is narrowed to; null for all
 */
public record OrderForm(String sort, Long asOf, String among) {

    String picked() {
        return among == null || among.isEmpty() ? null : among;
    }

    boolean isFalling() {
        return sort != null && sort.startsWith("-");
    }

    ItemSort column() {
        String name = sort == null ? "" : isFalling() ? sort.substring(1) : sort;
        return name.isEmpty() ? ItemSort.ADDRESS : ItemSort.of(name);
    }
}
