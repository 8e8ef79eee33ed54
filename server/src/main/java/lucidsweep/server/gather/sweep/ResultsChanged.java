package lucidsweep.server.gather.sweep;

/** The result lists of a property are others now. */
public record ResultsChanged(long propertyId) {}
