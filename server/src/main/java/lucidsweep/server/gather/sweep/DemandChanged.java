package lucidsweep.server.gather.sweep;

/** What search engines report of a property is another now. */
public record DemandChanged(long propertyId) {}
