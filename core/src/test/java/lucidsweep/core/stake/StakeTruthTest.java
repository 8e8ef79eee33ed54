package lucidsweep.core.stake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.Stake;
import org.junit.jupiter.api.Test;

/** What is said to be at stake, held to a market that knows what its searchers would do. */
class StakeTruthTest {

    private static final int SEEDS = 20;
    private static final int ITEMS = 2_500;

    private static final Map<String, Double> APPEAL = Map.of(
            "title keyword-missing", -0.2,
            "title keyword-incomplete", -0.08,
            "title keyword-late", -0.03,
            "title too-long", -0.07,
            "title duplicate", -0.15,
            "title all-capitals", 0.0,
            "title cut-by-author", 0.0,
            "description missing", -0.1,
            "description duplicate", -0.04,
            "description too-short", 0.0);

    @Test
    void causesAreRankedAsTheTruthDoesAndTheSumIsRight() {
        List<Double> correlations = new ArrayList<>();
        List<Double> ratios = new ArrayList<>();
        int covered = 0;
        int coversWords = 0;
        for (int seed = 0; seed < SEEDS; seed++) {
            ReactingMarket market =
                    new ReactingMarket(seed, ITEMS, new ReactingMarket.Nature(APPEAL, -0.3, -0.08, -0.4));
            ReactingMarket.Estimate estimate = market.estimate();
            List<Double> said = new ArrayList<>();
            List<Double> so = new ArrayList<>();
            market.forEachCause((check, section) -> {
                said.add(estimate.of(check, section).clicks());
                so.add(market.truth(check, section));
            });
            correlations.add(rankCorrelation(said, so));
            Stake all = estimate.of(null, 0);
            double truth = market.truth(null, 0);
            ratios.add(all.clicks() / truth);
            if (all.low() <= truth && truth <= all.high()) covered++;
            Cost words = estimate.model.reach().words();
            if (words.low() <= -0.3 && -0.3 <= words.high()) coversWords++;
        }
        assertThat(correlations).allSatisfy(each -> assertThat(each).isGreaterThanOrEqualTo(0.8));
        assertThat(ratios).allSatisfy(each -> assertThat(each).isBetween(1 / 1.5, 1.5));
        assertThat(covered).as("sums of %d, ratios %s", SEEDS, ratios).isGreaterThanOrEqualTo(18);
        assertThat(coversWords).as("effects of words of %d", SEEDS).isGreaterThanOrEqualTo(18);
    }

    @Test
    void aFaultThatCostsNothingIsSaidToMaybeCostNothing() {
        Map<String, Double> nothing =
                APPEAL.keySet().stream().collect(java.util.stream.Collectors.toMap(id -> id, id -> 0.0));
        int covered = 0;
        int asked = 0;
        for (int seed = 0; seed < SEEDS; seed++) {
            StakeModel model =
                    new ReactingMarket(seed, ITEMS, new ReactingMarket.Nature(nothing, 0, 0, -0.4)).estimate().model;
            List<Cost> costs =
                    new ArrayList<>(List.of(model.reach().words(), model.reach().leads()));
            for (String id : nothing.keySet()) {
                costs.add(model.appeal()
                        .cost(AppealFaults.number(
                                ReactingMarket.check(id).field(),
                                ReactingMarket.check(id).code())));
            }
            asked += costs.size();
            covered += (int) costs.stream()
                    .filter(cost -> cost.low() <= 0 && 0 <= cost.high())
                    .count();
        }
        assertThat(covered / (double) asked).isGreaterThanOrEqualTo(0.9);
    }

    /** Spearman's, with mean ranks for ties. */
    private static double rankCorrelation(List<Double> one, List<Double> other) {
        double[] a = ranks(one);
        double[] b = ranks(other);
        double middle = (a.length - 1) / 2.0;
        double product = 0;
        double squaresOfA = 0;
        double squaresOfB = 0;
        for (int i = 0; i < a.length; i++) {
            product += (a[i] - middle) * (b[i] - middle);
            squaresOfA += (a[i] - middle) * (a[i] - middle);
            squaresOfB += (b[i] - middle) * (b[i] - middle);
        }
        return product / Math.sqrt(squaresOfA * squaresOfB);
    }

    private static double[] ranks(List<Double> values) {
        return values.stream()
                .mapToDouble(
                        value -> values.stream().filter(each -> each < value).count()
                                + (values.stream().filter(value::equals).count() - 1) / 2.0)
                .toArray();
    }
}
