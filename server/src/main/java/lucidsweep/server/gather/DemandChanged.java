package lucidsweep.server.gather;

/** What search engines report of a property is another now. */
public record DemandChanged(long propertyId) {}
