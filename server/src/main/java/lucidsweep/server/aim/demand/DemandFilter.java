package lucidsweep.server.aim.demand;

/**
 * Which demand is meant; every part that is null or empty does not narrow.
 *
 * @param weeks how long the window is where its first day is not given; 13 where neither is
 * @param first, last day of the window, as "2026-11-25"; the last is the last that is reported of where none is given
 * @param country as it was reported
 * @param brand yes or no: queries with the client's brand or without
 * @param item only this item's
 * @param query only this query
 * @param like only queries that say the same as this phrase, in whatever form of its words
 */
public record DemandFilter(
        Integer weeks, String first, String last, String country, String brand, Long item, String query, String like) {}
