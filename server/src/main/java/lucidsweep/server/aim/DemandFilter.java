package lucidsweep.server.aim;

/**
 * Which demand is meant; every part that is null or empty does not narrow.
 *
 * @param first, last the window, days as "2026-11-25"; the last thirteen weeks where none are given
 * @param country as it was reported
 * @param brand yes or no: queries with the client's brand or without
 * @param item only this item's
 * @param query only this query
 */
public record DemandFilter(String first, String last, String country, String brand, Long item, String query) {}
