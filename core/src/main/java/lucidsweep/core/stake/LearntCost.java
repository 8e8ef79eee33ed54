package lucidsweep.core.stake;

import java.util.Map;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.effect.Effect.Difference;

/**
 * What a property's own releases say a fault costs: items that lost it, held against comparable ones that were left alone.
 *
 * @param effect how the log of the clicks at the same positions changes with the fault
 * @param error its standard error
 * @param items how many items lost it
 */
public record LearntCost(double effect, double error, int items) {

    private static final double WIDTH = 1.96;

    /**
     * Solves for one fault what became of the items that lost it. Their clicks at the same impressions changed by what
     * their position brought, less the cost of this fault, less the costs of the others that they lost together with it:
     * those are taken as they are assumed, with all that is uncertain of them.
     *
     * @param became of items that lost the fault
     * @param position where they stood on average, 1 or more
     * @param others by the numbers of other faults, the share of the items that lost these, too; 0 to 1
     * @param assumed of each fault, by its number
     */
    public static LearntCost of(
            Effect became,
            double position,
            ClickRates rates,
            Map<Integer, Double> others,
            AppealModel.Prior[] assumed) {
        double effect = log(rates, position, became.position().share())
                - Math.log1p(became.rate().share());
        double byPosition = log(rates, position, became.position().high())
                - log(rates, position, became.position().low());
        double variance = square(error(became.rate())) + square(byPosition / (2 * WIDTH));
        for (Map.Entry<Integer, Double> other : others.entrySet()) {
            AppealModel.Prior prior = assumed[other.getKey()];
            effect -= other.getValue() * prior.mean();
            variance += square(other.getValue() * prior.deviation());
        }
        return new LearntCost(effect, Math.sqrt(variance), became.items());
    }

    /** The lower end of the 95% interval of the effect. */
    public double low() {
        return effect - WIDTH * error;
    }

    /** The upper end of the 95% interval of the effect. */
    public double high() {
        return effect + WIDTH * error;
    }

    /** What is assumed of the fault from now on: both, each as sure as it is. */
    public AppealModel.Prior with(AppealModel.Prior assumed) {
        double own = 1 / square(error);
        double before = 1 / square(assumed.deviation());
        return new AppealModel.Prior(
                (own * effect + before * assumed.mean()) / (own + before), Math.sqrt(1 / (own + before)));
    }

    /** How the log of the clicks an impression brings changes where a position moves by a share of itself. */
    private static double log(ClickRates rates, double position, double share) {
        return Math.log(rates.at(position * (1 + share)) / rates.at(position));
    }

    private static double error(Difference difference) {
        return (Math.log1p(difference.high()) - Math.log1p(difference.low())) / (2 * WIDTH);
    }

    private static double square(double x) {
        return x * x;
    }
}
