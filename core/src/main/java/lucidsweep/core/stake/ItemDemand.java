package lucidsweep.core.stake;

import java.util.List;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.DemandTally;

/**
 * What search engines report of an item in a month, as far as clicks at stake rest on it; queries for the brand are left out.
 *
 * @param expected the clicks that the positions of its queries let expect
 * @param clicked those that there were
 * @param impressions how often it was shown
 * @param ranks where it stands for its own keywords, the primary one first; empty where it stands for none
 */
public record ItemDemand(double expected, double clicked, double impressions, List<Rank> ranks) {

    /**
     * Adds up what is reported of an item.
     *
     * @param lines one a query
     * @param months how many months they cover
     */
    public static ItemDemand of(List<DemandTally.Line> lines, ClickRates rates, double months, List<Rank> ranks) {
        double expected = 0;
        double clicked = 0;
        double impressions = 0;
        for (DemandTally.Line line : lines) {
            DemandTally.Sum sum = line.now();
            expected += sum.impressions() * rates.at(sum.position());
            clicked += sum.clicks();
            impressions += sum.impressions();
        }
        return new ItemDemand(expected / months, clicked / months, impressions / months, ranks);
    }

    /**
     * Where an item stands for one of its keywords.
     *
     * @param searches how often it is searched for
     * @param position its average position, 1 or more
     * @param primary whether it is the item's primary keyword
     */
    public record Rank(String keyword, double searches, double position, boolean primary) {}
}
