package lucidsweep.server.client;

/** A property and all its rows are gone; what else is kept of it goes, too. */
public record PropertyRemovedForGood(long propertyId) {}
