package lucidsweep.core.aim;

import java.util.List;
import lucidsweep.core.compose.PageProposal;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.SharedQueries;
import lucidsweep.core.keyword.Target;

/**
 * What was worked out for a property.
 *
 * @param targets the homes of keywords
 * @param topics for each keyword the name of its topic
 * @param brand for each keyword whether it names the brand
 * @param keywordDemand for each keyword what was reported of it over all items, in the window
 * @param gaps pages that keywords without a home could get, the most searched first
 * @param better those that can be acted on now
 * @param tooEarly those of items that have not settled
 * @param shared queries that several items are shown for
 * @param curve of the property
 * @param reported what its demand is made of
 */
public record AimPlan(
        List<Target> targets,
        List<String> topics,
        boolean[] brand,
        List<DemandTally.Sum> keywordDemand,
        List<Gap> gaps,
        List<BetterKeywords.Better> better,
        List<BetterKeywords.Better> tooEarly,
        List<SharedQueries.Shared> shared,
        ClickCurve curve,
        Reported reported) {

    /**
     * Keywords of one topic that no item serves.
     *
     * @param topic its name
     * @param keywords their places, the most searched first
     * @param volume searches a month, of all of them
     * @param section the part of the site where the page belongs; "" where nothing is near
     */
    public record Gap(String topic, List<Integer> keywords, long volume, PageProposal page, String section) {}

    /**
     * What the demand is made of.
     *
     * @param rows all rows
     * @param elsewhere rows of addresses that are no items
     * @param withoutPosition rows whose position is below 1
     * @param tooManyClicks rows with more clicks than impressions
     * @param missingDays days of the window that no row covers
     * @param months how much of the window is covered
     */
    public record Reported(
            long rows, long elsewhere, long withoutPosition, long tooManyClicks, int missingDays, double months) {}
}
