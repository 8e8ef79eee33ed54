package lucidsweep.server.item.table;

/** Sets of a property with standards of their own are others now: its items are to be held to them anew. */
public record SetsChanged(long propertyId) {}
