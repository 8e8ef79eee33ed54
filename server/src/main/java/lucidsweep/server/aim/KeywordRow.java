package lucidsweep.server.aim;

/**
 * A keyword and its home.
 *
 * @param volume monthly searches; null where not known
 * @param items how many items aim at it
 * @param itemId its home; null where it has none
 */
public record KeywordRow(
        long id,
        String phrase,
        Long volume,
        String competition,
        int items,
        Long itemId,
        String address,
        Boolean byHand,
        Double score,
        String reason) {}
