package lucidsweep.server.gather.sweep;

/**
 * What search engines report of a property is another now, by an import or since one was taken back.
 *
 * @param importId the sweep that the import is
 * @param lastDay the last day that the import reported of, as "2026-11-25"; null where it is not known
 */
public record DemandChanged(long propertyId, long importId, String lastDay) {}
