package lucidsweep.core.effect;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.effect.Effect.Difference;
import lucidsweep.core.effect.Effect.EffectWeek;
import lucidsweep.core.effect.Effect.NotTold;
import lucidsweep.core.effect.Effect.PerMonth;
import lucidsweep.core.effect.Effect.Verdict;

/**
 * Holds changed items against comparable ones that were left alone, before and after: difference in differences on the log
 * scale.
 *
 * <p>Each changed item is matched with up to ten others ({@link Likeness}). What is to be expected of it is its clicks before
 * times what became of theirs in the same weeks; the effect is the log of all actual clicks over all expected ones.
 *
 * <p>The interval: changed and left items are weighted anew at random, each with all of its weeks (Bayesian bootstrap, Rubin
 * 1981; an item's weeks are a block, since they are alike). Beside it, blocks of four weeks of what is left over before the
 * change are drawn (moving block bootstrap, Künsch 1989), which sees what all changed items have in common. The wider of the
 * two counts, with Student's t for as many items as share the clicks: (Σe)² / Σe², so that one item with most of the clicks
 * is no crowd.
 */
public final class EffectStudy {

    static final double LEAST_CLICKS = 30;
    private static final int BLOCK = 4;
    private static final double WEEKS_A_MONTH = 365.25 / 12 / 7;
    private static final int BAND_DRAWS = 200;
    private static final double TO_95 = 1.96;

    private final WeeklyFigures figures;
    private final int draws;
    private final List<Case> cases = new ArrayList<>();
    private final int[] numberOfControl;
    private int controls;
    private int firstWeek;
    private int weeks;

    private EffectStudy(WeeklyFigures figures, int draws) {
        this.figures = figures;
        this.draws = draws;
        numberOfControl = new int[figures.series()];
    }

    /** A changed item, its sums before and after, and those of the items that it is held against over the same weeks. */
    private record Case(Changed changed, Windows windows, int[] controls, Sums own, Sums[] others) {}

    /** Clicks, impressions and logs of positions before and after. */
    private record Sums(double[] before, double[] after) {

        private static final int CLICKS = 0;
        private static final int IMPRESSIONS = 1;
        private static final int PLACES = 2;
        private static final int PLACED = 3;

        private static Sums of(WeeklyFigures figures, int item, Windows windows) {
            return new Sums(
                    sums(figures, item, windows.from(), windows.to()),
                    sums(figures, item, windows.counted(), figures.weeks()));
        }

        private static double[] sums(WeeklyFigures figures, int item, int from, int to) {
            double[] sums = new double[4];
            for (int week = from; week < to; week++) {
                sums[CLICKS] += figures.clicks(item, week);
                sums[IMPRESSIONS] += figures.impressions(item, week);
                sums[PLACES] += figures.logPositions(item, week);
                sums[PLACED] += figures.placedImpressions(item, week);
            }
            return sums;
        }
    }

    /**
     * Works it out. The same figures give the same answer.
     *
     * @param templates of each item, which section or template it is of; those with the same number are alike
     * @param changed the items that were changed and are live
     * @param left the items that were left alone, by number
     * @param draws how often the items are weighted anew: 1,000 for a figure that is shown
     */
    public static Effect of(WeeklyFigures figures, int[] templates, List<Changed> changed, int[] left, int draws) {
        if (changed.isEmpty()) return Effect.without(Verdict.NOT_LIVE, new NotTold(0, 0, 0));
        EffectStudy study = new EffectStudy(figures, draws);
        int notYet = 0;
        int young = 0;
        int alone = 0;
        Map<Windows, Likeness> likenesses = new HashMap<>();
        for (Changed each : changed) {
            Windows windows = Windows.of(each);
            if (!windows.isLongEnough(figures.weeks())) notYet++;
            else if (!windows.isOldEnough()) young++;
            else {
                int[] like = left.length == 0
                        ? left
                        : likenesses
                                .computeIfAbsent(windows, some -> new Likeness(figures, templates, some, left))
                                .nearest(each.item());
                if (like.length == 0) alone++;
                else study.add(each, windows, like);
            }
        }
        NotTold notTold = new NotTold(notYet, young, alone);
        if (study.cases.isEmpty()) {
            return Effect.without(notYet > 0 || alone == 0 ? Verdict.TOO_EARLY : Verdict.NO_CONTROLS, notTold);
        }
        return study.effect(notTold);
    }

    /** Whether enough weeks before and after a change are known to say something of it. */
    public static boolean isLongEnough(WeeklyFigures figures, Changed changed) {
        Windows windows = Windows.of(changed);
        return windows.isLongEnough(figures.weeks()) && windows.isOldEnough();
    }

    private void add(Changed changed, Windows windows, int[] like) {
        Sums[] others = new Sums[like.length];
        for (int i = 0; i < like.length; i++) {
            others[i] = Sums.of(figures, like[i], windows);
            if (numberOfControl[like[i]] == 0) numberOfControl[like[i]] = ++controls;
        }
        cases.add(new Case(changed, windows, like, Sums.of(figures, changed.item(), windows), others));
    }

    private Effect effect(NotTold notTold) {
        double[] even = ones(cases.size());
        double[] evenControls = ones(controls + 1);
        double[] point = effects(even, evenControls);
        double expected = 0;
        double squares = 0;
        double actual = 0;
        double after = 0;
        double largest = 0;
        for (Case each : cases) {
            double one = expected(each, evenControls);
            expected += one;
            squares += one * one;
            largest = Math.max(largest, one);
            actual += each.own.after[Sums.CLICKS];
            after += one * (figures.weeks() - each.changed.counted());
        }
        if (expected < LEAST_CLICKS) {
            int early = notTold.notYet() + cases.size();
            return Effect.without(Verdict.TOO_EARLY, new NotTold(early, notTold.young(), notTold.alone()));
        }
        double share = expected * expected / squares;
        double freedom = Math.max(1, share - 1);
        double[] errors = errors(freedom);
        spread();
        double[][] band = band();
        errors[0] = Math.max(errors[0], timeError(band));
        double half = Chance.halfOf95(freedom);
        double chance = Chance.ofDifference(Math.abs(point[0]) / Math.max(1e-9, errors[0]), freedom);
        double months = after / expected / WEEKS_A_MONTH;
        Difference clicks = Difference.ofLog(point[0], half * errors[0]);
        Verdict verdict = clicks.low() > 0 ? Verdict.MORE : clicks.high() < 0 ? Verdict.FEWER : Verdict.UNTOLD;
        return new Effect(
                verdict,
                clicks,
                Difference.ofLog(point[1], half * errors[1]),
                Difference.ofLog(point[2], half * errors[2]),
                cases.size(),
                controls,
                notTold,
                new PerMonth(
                        (actual - expected) / months,
                        expected * clicks.low() / months,
                        expected * clicks.high() / months),
                largest / expected,
                chance,
                pictured(band));
    }

    /** The clicks to be expected of an item: its own before, times what became of the others'. */
    private double expected(Case each, double[] controlWeights) {
        return each.own.before[Sums.CLICKS] * growth(each, Sums.CLICKS, controlWeights);
    }

    /** The clicks to be expected by how often it was shown: at its own rate before, times what became of the others' rate. */
    private double expectedAsShown(Case each, double[] controlWeights) {
        if (each.own.before[Sums.IMPRESSIONS] == 0) return 0;
        double shown = each.own.after[Sums.IMPRESSIONS] / each.own.before[Sums.IMPRESSIONS];
        double others = growth(each, Sums.IMPRESSIONS, controlWeights);
        return others == 0 ? 0 : expected(each, controlWeights) * shown / others;
    }

    private double growth(Case each, int what, double[] controlWeights) {
        double before = 0;
        double after = 0;
        double weights = 0;
        for (int i = 0; i < each.others.length; i++) {
            double weight = controlWeights[numberOfControl[each.controls[i]]];
            before += weight * each.others[i].before[what];
            after += weight * each.others[i].after[what];
            weights += weight;
        }
        // One more before: the mean of a ratio of counts is higher than the ratio of their means.
        return after / (before + weights / each.others.length);
    }

    /** The effects on clicks, click-through rate and position, on the log scale. */
    private double[] effects(double[] weights, double[] controlWeights) {
        double actual = 0;
        double expected = 0;
        double asShown = 0;
        double moved = 0;
        double shown = 0;
        for (int i = 0; i < cases.size(); i++) {
            Case each = cases.get(i);
            actual += weights[i] * each.own.after[Sums.CLICKS];
            expected += weights[i] * expected(each, controlWeights);
            asShown += weights[i] * expectedAsShown(each, controlWeights);
            double own = move(each.own);
            double others = move(each, controlWeights);
            if (Double.isNaN(own) || Double.isNaN(others)) continue;
            double weight = weights[i] * Math.sqrt(each.own.before[Sums.PLACED]);
            moved += weight * (own - others);
            shown += weight;
        }
        return new double[] {
            Math.log((actual + 0.5) / (expected + 0.5)),
            Math.log((actual + 0.5) / (asShown + 0.5)),
            shown == 0 ? 0 : moved / shown
        };
    }

    private static double move(Sums sums) {
        return sums.after[Sums.PLACES] / sums.after[Sums.PLACED] - sums.before[Sums.PLACES] / sums.before[Sums.PLACED];
    }

    private double move(Case each, double[] controlWeights) {
        double sum = 0;
        double weights = 0;
        for (int i = 0; i < each.others.length; i++) {
            double move = move(each.others[i]);
            double weight = controlWeights[numberOfControl[each.controls[i]]];
            if (Double.isNaN(move)) continue;
            sum += weight * move;
            weights += weight;
        }
        return weights == 0 ? Double.NaN : sum / weights;
    }

    /** The standard errors of the three effects by weighting all items anew. */
    private double[] errors(double freedom) {
        SplittableRandom random = new SplittableRandom(cases.size());
        double[] sums = new double[3];
        double[] squares = new double[3];
        for (int draw = 0; draw < draws; draw++) {
            double[] effects = effects(weights(random, cases.size()), weights(random, controls + 1));
            for (int i = 0; i < 3; i++) {
                sums[i] += effects[i];
                squares[i] += effects[i] * effects[i];
            }
        }
        double few = Math.sqrt((freedom + 1) / freedom);
        double[] errors = new double[3];
        for (int i = 0; i < 3; i++) {
            double mean = sums[i] / draws;
            errors[i] = few * Math.sqrt(Math.max(0, squares[i] / draws - mean * mean));
        }
        return errors;
    }

    private static double[] weights(SplittableRandom random, int count) {
        double[] weights = new double[count];
        for (int i = 0; i < count; i++) weights[i] = -Math.log(1 - random.nextDouble());
        return weights;
    }

    private static double[] ones(int count) {
        double[] ones = new double[count];
        java.util.Arrays.fill(ones, 1);
        return ones;
    }

    /** The weeks from the change on that most of the items have. */
    private void spread() {
        Map<Integer, Integer> before = new HashMap<>();
        Map<Integer, Integer> after = new HashMap<>();
        for (Case each : cases) {
            before.merge(each.windows.from() - each.changed.live(), 1, Integer::sum);
            after.merge(figures.weeks() - each.changed.live(), 1, Integer::sum);
        }
        firstWeek = median(before);
        weeks = median(after) - firstWeek;
    }

    private int median(Map<Integer, Integer> counts) {
        int half = 0;
        for (int each : counts.keySet().stream().sorted().toList()) {
            half += counts.get(each);
            if (2 * half >= cases.size()) return each;
        }
        throw new IllegalStateException("no items");
    }

    /** By week from the change on: actual, expected, and the standard error of the log of what is expected. */
    private double[][] band() {
        double[][] band = new double[3][weeks];
        weekly(ones(cases.size()), ones(controls + 1), band[0], band[1]);
        SplittableRandom random = new SplittableRandom(cases.size() + 1);
        double[] sums = new double[weeks];
        double[] squares = new double[weeks];
        int bandDraws = Math.min(draws, BAND_DRAWS);
        for (int draw = 0; draw < bandDraws; draw++) {
            double[] actual = new double[weeks];
            double[] expected = new double[weeks];
            weekly(weights(random, cases.size()), weights(random, controls + 1), actual, expected);
            for (int week = 0; week < weeks; week++) {
                double log = Math.log((actual[week] + 0.5) / (expected[week] + 0.5));
                sums[week] += log;
                squares[week] += log * log;
            }
        }
        for (int week = 0; week < weeks; week++) {
            double mean = sums[week] / bandDraws;
            band[2][week] = Math.sqrt(Math.max(0, squares[week] / bandDraws - mean * mean));
        }
        return band;
    }

    private void weekly(double[] weights, double[] controlWeights, double[] actual, double[] expected) {
        for (int i = 0; i < cases.size(); i++) {
            Case each = cases.get(i);
            double before = 0;
            double sum = 0;
            double[] factors = new double[each.others.length];
            for (int k = 0; k < factors.length; k++) {
                factors[k] = controlWeights[numberOfControl[each.controls[k]]];
                before += factors[k] * each.others[k].before[Sums.CLICKS];
                sum += factors[k];
            }
            double scale = weights[i] * each.own.before[Sums.CLICKS] / (before + sum / factors.length);
            for (int week = 0; week < weeks; week++) {
                int at = each.changed.live() + firstWeek + week;
                if (at < 0 || at >= figures.weeks()) continue;
                actual[week] += weights[i] * figures.clicks(each.changed.item(), at);
                double others = 0;
                for (int k = 0; k < factors.length; k++) others += factors[k] * figures.clicks(each.controls[k], at);
                expected[week] += scale * others;
            }
        }
    }

    /** The standard error of the effect by what is left over before the change, drawn in blocks of weeks. */
    private double timeError(double[][] band) {
        int before = -Windows.GAP - firstWeek;
        int after = Math.max(1, weeks + firstWeek - Changed.USUAL_DELAY);
        double[] left = new double[before];
        for (int week = 0; week < before; week++) left[week] = Math.log((band[0][week] + 0.5) / (band[1][week] + 0.5));
        int block = Math.min(BLOCK, before);
        SplittableRandom random = new SplittableRandom(before);
        double sum = 0;
        double squares = 0;
        for (int draw = 0; draw < draws; draw++) {
            double difference = mean(left, after, block, random) - mean(left, before, block, random);
            sum += difference;
            squares += difference * difference;
        }
        double mean = sum / draws;
        return Math.sqrt(Math.max(0, squares / draws - mean * mean));
    }

    private static double mean(double[] left, int weeks, int block, SplittableRandom random) {
        double sum = 0;
        for (int taken = 0; taken < weeks; ) {
            int start = random.nextInt(left.length - block + 1);
            for (int i = 0; i < block && taken < weeks; i++, taken++) sum += left[start + i];
        }
        return sum / weeks;
    }

    private List<EffectWeek> pictured(double[][] band) {
        List<EffectWeek> pictured = new ArrayList<>(weeks);
        for (int i = 0; i < weeks; i++) {
            int week = firstWeek + i;
            double expected = band[1][i];
            double half = TO_95 * band[2][i];
            boolean counted = week < -Windows.GAP || week >= Changed.USUAL_DELAY;
            pictured.add(new EffectWeek(
                    week, band[0][i], expected, expected * Math.exp(-half), expected * Math.exp(half), counted));
        }
        return pictured;
    }
}
