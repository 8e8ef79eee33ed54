package lucidsweep.server.aim.ideas;

/**
 * A query that is worth far more than what an item aims at.
 *
 * @param aimed what it aims at
 * @param shown impressions a month
 * @param positionBefore in the thirteen weeks before; 0 where not known
 * @param reachable the position that the gain is reckoned with
 * @param rateNow, rateReachable clicks an impression at the position and at that one, on the click curve
 * @param relevance 0 to 1
 * @param gain clicks a month, an estimate
 * @param youngUntil the day until which it is too early to say; "" where it is not
 * @param reason with every figure that the gain was made of
 */
public record BetterRow(
        long id,
        long itemId,
        String address,
        String query,
        String aimed,
        double shown,
        double position,
        double positionBefore,
        double volume,
        double reachable,
        double rateNow,
        double rateReachable,
        double relevance,
        double gain,
        String youngUntil,
        String reason) {}
