package lucidsweep.server.client;

/** A property came from another installation; what is worked out of its data is not there yet. */
public record PropertyArrived(long propertyId) {}
