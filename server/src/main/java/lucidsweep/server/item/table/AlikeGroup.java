package lucidsweep.server.item.table;

/** Indexable items with the same text in a field: its hash, how many, and the first and last of them. */
public record AlikeGroup(long alike, int count, long firstItem, long lastItem) {}
