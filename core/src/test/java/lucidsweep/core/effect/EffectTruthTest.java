package lucidsweep.core.effect;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.effect.Effect.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The effect of a change, held against made-up worlds of which it is known. */
class EffectTruthTest {

    private static final int WORLDS = 40;

    /**
     * Pages in sections with seasons of their own, that drift each by itself; an update of the search engine two weeks before
     * the change lifts some sections and lowers others. Most of what is changed stands in a few sections.
     */
    private static final class World {
        private static final int ITEMS = 320;
        private static final int WEEKS = 78;
        private static final int LIVE = 62;
        private static final int UPDATE = 60;
        private static final int SECTIONS = 6;

        private final WeeklyFigures figures = new WeeklyFigures(ITEMS, WEEKS, 20_000);
        private final int[] sections = new int[ITEMS];
        private final List<Changed> changed = new ArrayList<>();
        private final List<Integer> left = new ArrayList<>();
        private double before;
        private double after;

        private World(long seed, double effect) {
            Random random = new Random(seed);
            double[] amplitude = random.doubles(SECTIONS, 0, 0.7).toArray();
            double[] update = IntStream.range(0, SECTIONS)
                    .mapToDouble(i -> random.nextGaussian() * 0.25)
                    .toArray();
            for (int item = 0; item < ITEMS; item++) {
                int section = sections[item] = random.nextInt(SECTIONS);
                boolean isChanged = random.nextDouble() < (section < 2 ? 0.5 : 0.12);
                if (isChanged) changed.add(Changed.in(item, LIVE));
                else left.add(item);
                double level = Math.exp(1.8 + random.nextGaussian());
                double rate = 0.05 + random.nextDouble() * 0.1;
                double hit = update[section] + random.nextGaussian() * 0.1;
                double drift = 0;
                for (int week = 0; week < WEEKS; week++) {
                    drift += random.nextGaussian() * 0.015;
                    double log = drift
                            + amplitude[section] * Math.sin(2 * Math.PI * week / 52)
                            + (week >= UPDATE ? hit : 0)
                            + random.nextGaussian() * 0.1;
                    double impressions = level / rate * Math.exp(log);
                    double gain = isChanged && week >= LIVE ? effect : 0;
                    int clicks = poisson(random, impressions * rate * Math.exp(gain));
                    double position = (2 + 10 * Math.exp(-level / 20)) * Math.exp(random.nextGaussian() * 0.06);
                    figures.add(item, week, clicks, Math.round(impressions), position);
                    if (isChanged && week < LIVE - Windows.GAP && week >= LIVE - Windows.GAP - Windows.BEFORE)
                        before += clicks;
                    if (isChanged && week >= LIVE + Changed.USUAL_DELAY) after += clicks;
                }
            }
        }

        private static int poisson(Random random, double mean) {
            if (mean > 200) return (int) Math.max(0, Math.round(mean + random.nextGaussian() * Math.sqrt(mean)));
            double limit = Math.exp(-mean);
            double product = random.nextDouble();
            int count = 0;
            while (product > limit) {
                product *= random.nextDouble();
                count++;
            }
            return count;
        }

        private Effect effect() {
            return EffectStudy.of(
                    figures,
                    sections,
                    changed,
                    left.stream().mapToInt(Integer::intValue).toArray(),
                    300);
        }

        /** What plain before and after would say. */
        private double plain() {
            int weeksAfter = WEEKS - LIVE - Changed.USUAL_DELAY;
            return Math.log((after / weeksAfter) / (before / Windows.BEFORE));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 0.1, -0.15, 0.25})
    void theIntervalCoversTheTruthWithHalfTheErrorOfBeforeAndAfter(double truth) {
        double share = Math.expm1(truth);
        int covered = 0;
        int rate = 0;
        int position = 0;
        int found = 0;
        double error = 0;
        double plainError = 0;
        for (int seed = 0; seed < WORLDS; seed++) {
            World world = new World(seed, truth);
            Effect effect = world.effect();
            if (covers(effect.clicks(), share)) covered++;
            if (covers(effect.rate(), share)) rate++;
            if (covers(effect.position(), 0)) position++;
            if (effect.verdict() == Verdict.MORE || effect.verdict() == Verdict.FEWER) found++;
            error += Math.abs(Math.log1p(effect.clicks().share()) - truth);
            plainError += Math.abs(world.plain() - truth);
        }
        assertThat(covered).as("covered of 40").isBetween(36, 40);
        assertThat(rate).as("rate covered of 40").isBetween(36, 40);
        assertThat(position).as("position covered of 40").isBetween(36, 40);
        assertThat(error).isLessThan(plainError / 2);
        if (truth == 0) assertThat(found).as("found where nothing is").isLessThanOrEqualTo(2);
    }

    private static boolean covers(Effect.Difference difference, double truth) {
        return difference.low() <= truth && truth <= difference.high();
    }

    /** Of twenty changes five did something; the ones that are called effects are those, all but a tenth. */
    @Test
    void ofSeveralAtOnceFewAreFalse() {
        int called = 0;
        int falsely = 0;
        int found = 0;
        for (int round = 0; round < 4; round++) {
            double[] chances = new double[20];
            for (int i = 0; i < 20; i++)
                chances[i] = new World(1_000 + round * 20 + i, i < 5 ? 0.25 : 0)
                        .effect()
                        .chance();
            boolean[] picked = FalseDiscoveries.picked(chances, 0.1);
            for (int i = 0; i < 20; i++) {
                if (!picked[i]) continue;
                called++;
                if (i < 5) found++;
                else falsely++;
            }
        }
        assertThat(falsely).isLessThanOrEqualTo(Math.max(2, called / 5));
        assertThat(found).isGreaterThanOrEqualTo(18);
    }

    @Test
    void saysWhyNothingCanBeSaid() {
        World world = new World(1, 0.2);
        int[] left = world.left.stream().mapToInt(Integer::intValue).toArray();
        assertThat(effect(world, List.of(), left).verdict()).isEqualTo(Verdict.NOT_LIVE);
        assertThat(effect(world, world.changed, new int[0]).verdict()).isEqualTo(Verdict.NO_CONTROLS);
        List<Changed> lately = world.changed.stream()
                .map(each -> Changed.in(each.item(), World.WEEKS - 4))
                .toList();
        Effect early = effect(world, lately, left);
        assertThat(early.verdict()).isEqualTo(Verdict.TOO_EARLY);
        assertThat(early.notTold().notYet()).isEqualTo(lately.size());
        List<Changed> young =
                world.changed.stream().map(each -> Changed.in(each.item(), 6)).toList();
        assertThat(effect(world, young, left).notTold().young()).isEqualTo(young.size());
        assertThat(effect(world, world.changed, left)).isEqualTo(effect(world, world.changed, left));
        assertThat(effect(world, world.changed, left).words(false))
                .matches(
                        "\\+\\d+% clicks \\(\\+\\d+ to \\+\\d+%\\), 8\\d items against 1\\d\\d; \\+[\\d,]+ clicks a month");
        assertThat(effect(world, world.changed, left).words(true))
                .startsWith("may be chance, among so many at once: +")
                .doesNotContain("month");
        assertThat(early.words(false)).startsWith("too early: 3 weeks").contains("30 clicks");
        assertThat(effect(world, world.changed, new int[0]).words(false)).contains("hold a tenth back");
        assertThat(effect(world, List.of(), left).words(false)).isEqualTo("no sweep has seen these texts live yet");
    }

    /** One item with nearly all clicks says nothing about the others, however its own clicks move. */
    @Test
    void oneItemWithMostClicksIsNoCrowd() {
        World world = new World(3, 0);
        int big = world.changed.get(0).item();
        for (int item : world.left.subList(0, 6)) raise(world, item, 4_000, 4_000);
        raise(world, big, 4_000, 5_200);
        Effect effect = effect(
                world,
                world.changed,
                world.left.stream().mapToInt(Integer::intValue).toArray());
        assertThat(effect.largest()).isGreaterThan(0.5);
        assertThat(effect.verdict()).isEqualTo(Verdict.UNTOLD);
        assertThat(effect.words(false))
                .startsWith("it cannot be told apart from nothing: ")
                .matches(".*, [5-9]\\d% of the clicks on one");
    }

    private static void raise(World world, int item, int before, int after) {
        Random random = new Random(item);
        for (int week = 0; week < World.WEEKS; week++) {
            double clicks = (week < World.LIVE ? before : after) * Math.exp(random.nextGaussian() * 0.08);
            world.figures.add(item, week, Math.round(clicks), Math.round(clicks * 10), 3);
        }
    }

    private static Effect effect(World world, List<Changed> changed, int[] left) {
        return EffectStudy.of(world.figures, world.sections, changed, left, 200);
    }
}
