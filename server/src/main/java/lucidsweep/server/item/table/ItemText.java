package lucidsweep.server.item.table;

/**
 * The title or description in force of an item that is indexable.
 *
 * @param alike the hash that alike texts share
 */
public record ItemText(long itemId, String field, String text, long alike) {}
