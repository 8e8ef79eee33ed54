package lucidsweep.server.client;

/** Something about a property's data is different now; open pages ask again. */
public record PropertyChanged(long propertyId, long revision) {}
