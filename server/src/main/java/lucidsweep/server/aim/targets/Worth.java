package lucidsweep.server.aim.targets;

/**
 * What a better keyword is worth to an item, with every figure that it was made of.
 *
 * @param shown impressions a month
 * @param positionBefore in the thirteen weeks before; 0 where not known
 * @param reachable the position that the gain is reckoned with
 * @param rateNow, rateReachable clicks an impression at the position and at that one, on the click curve
 * @param relevance 0 to 1
 * @param gain clicks a month, an estimate
 */
public record Worth(
        double shown,
        double position,
        double positionBefore,
        double volume,
        double reachable,
        double rateNow,
        double rateReachable,
        double relevance,
        double gain) {}
