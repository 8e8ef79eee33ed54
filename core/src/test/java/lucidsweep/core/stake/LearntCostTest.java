package lucidsweep.core.stake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.DoubleStream;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.effect.Effect.Difference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LearntCostTest {

    private static final ClickRates RATES = new ClickRates(
            DoubleStream.iterate(1, place -> place + 1)
                    .limit(20)
                    .map(place -> 0.3 / place)
                    .boxed()
                    .toList(),
            1);
    private static final AppealModel.Prior[] ASSUMED = {
        new AppealModel.Prior(-0.04, 0.08), new AppealModel.Prior(-0.3, 0.2), new AppealModel.Prior(-0.06, 0.05)
    };

    @ParameterizedTest(name = "cost {0}, {1} of the items lost another fault, positions move by {2}")
    @CsvSource({"-0.2, 0, 0", "-0.2, 0.5, 0", "-0.2, 1, -0.3", "0, 0, -0.3", "0.1, 0.25, 0.4"})
    void whatCameWithItIsTakenOff(double cost, double shareOfOther, double moved) {
        double position = 4;
        double log = -cost
                - shareOfOther * ASSUMED[1].mean()
                + Math.log(RATES.at(position * (1 + moved)) / RATES.at(position));
        LearntCost learnt = LearntCost.of(became(log, 0.05, moved), position, RATES, Map.of(1, shareOfOther), ASSUMED);
        assertThat(learnt.effect()).isCloseTo(cost, within(1e-9));
        assertThat(learnt.error())
                .as("the other's cost is not certain, either")
                .isCloseTo(Math.hypot(0.05, shareOfOther * 0.2), within(1e-9));
        assertThat(learnt.items()).isEqualTo(40);
    }

    @Test
    void aPositionThatIsUncertainMakesTheCostUncertain() {
        Effect still = became(0.2, 0.05, 0);
        Effect shaky = new Effect(
                still.verdict(),
                still.clicks(),
                still.rate(),
                new Difference(0, -0.2, 0.25),
                still.items(),
                still.controls(),
                still.notTold(),
                still.perMonth(),
                still.largest(),
                still.chance(),
                still.weeks());
        assertThat(LearntCost.of(shaky, 4, RATES, Map.of(), ASSUMED).error())
                .isGreaterThan(
                        2 * LearntCost.of(still, 4, RATES, Map.of(), ASSUMED).error());
    }

    /** Held to made-up truths: what is assumed and what was learnt tell more together than either alone. */
    @Test
    void togetherTheyAreNearerToTheTruthThanEachAlone() {
        Random random = new Random(3);
        AppealModel.Prior assumed = ASSUMED[0];
        double byAssumption = 0;
        double byRelease = 0;
        double byBoth = 0;
        for (int world = 0; world < 2_000; world++) {
            double truth = assumed.mean() + assumed.deviation() * random.nextGaussian();
            LearntCost learnt = new LearntCost(truth + 0.1 * random.nextGaussian(), 0.1, 30);
            AppealModel.Prior both = learnt.with(assumed);
            assertThat(both.deviation()).isLessThan(Math.min(assumed.deviation(), learnt.error()));
            byAssumption += Math.pow(assumed.mean() - truth, 2);
            byRelease += Math.pow(learnt.effect() - truth, 2);
            byBoth += Math.pow(both.mean() - truth, 2);
        }
        assertThat(byBoth).isLessThan(0.75 * Math.min(byAssumption, byRelease));
    }

    private static Effect became(double log, double error, double moved) {
        Difference rate =
                new Difference(Math.expm1(log), Math.expm1(log - 1.96 * error), Math.expm1(log + 1.96 * error));
        Difference position = new Difference(moved, moved, moved);
        return new Effect(
                Effect.Verdict.MORE,
                rate,
                rate,
                position,
                40,
                90,
                new Effect.NotTold(0, 0, 0),
                new Effect.PerMonth(0, 0, 0),
                0.1,
                0.01,
                List.of());
    }
}
