package lucidsweep.server.client;

/** A property was set to another language: what rests on its words is to be worked out anew. */
public record LanguageChanged(long propertyId) {}
