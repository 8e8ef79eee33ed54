package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.SeasonLevels;
import lucidsweep.core.finding.Check;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.AppealModel;
import lucidsweep.core.stake.Cost;
import lucidsweep.core.stake.LearntCost;
import lucidsweep.core.stake.ReachModel;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.server.aim.demand.ItemQueries;

/**
 * What faults cost a property, as it is stored.
 *
 * @param base, items, spread as {@link AppealModel} has them
 * @param costs by the ids of the checks; those of a check that came later are what is assumed of it
 * @param words, leads, pairs as {@link ReachModel} has them
 * @param from, to the first and last day of the demand, from 1970-01-01 on
 * @param months how many months of them are reported
 * @param past what earlier months say
 */
public record FittedCosts(
        double base,
        int items,
        double spread,
        Map<String, Cost> costs,
        Cost words,
        Cost leads,
        int pairs,
        ClickRates rates,
        int from,
        int to,
        double months,
        @Nullable Past past) {

    /**
     * What earlier months say.
     *
     * @param seasons how these months stand to an average one of the year; all that is said a month is of an average one
     * @param learnt what own releases say of costs, by the ids of the checks; they are in the costs already
     */
    record Past(SeasonLevels seasons, Map<String, LearntCost> learnt) {

        private static final Past UNKNOWN = new Past(SeasonLevels.UNKNOWN, Map.of());
    }

    public FittedCosts {
        // Costs that an earlier version stored have none.
        if (past == null) past = Past.UNKNOWN;
    }

    static FittedCosts of(StakeModel model, ItemQueries queries, Map<String, LearntCost> learnt) {
        Map<String, Cost> costs = new HashMap<>();
        List<Check> checks = AppealFaults.checks();
        for (int i = 0; i < checks.size(); i++)
            costs.put(checks.get(i).id(), model.appeal().cost(i));
        return new FittedCosts(
                model.appeal().base(),
                model.appeal().items(),
                model.appeal().spread(),
                costs,
                model.reach().words(),
                model.reach().leads(),
                model.reach().pairs(),
                model.rates(),
                queries.from(),
                queries.to(),
                queries.months(),
                new Past(queries.seasons(), learnt));
    }

    StakeModel model(int leadingWords) {
        Cost[] byNumber = AppealFaults.checks().stream()
                .map(check -> costs.getOrDefault(check.id(), AppealFaults.assumed(check)))
                .toArray(Cost[]::new);
        return new StakeModel(
                new AppealModel(base, byNumber, items, spread),
                new ReachModel(words, leads, pairs),
                rates,
                leadingWords);
    }
}
