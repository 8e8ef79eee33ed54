package lucidsweep.core.move;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.move.Move.Spread;
import lucidsweep.core.move.Move.What;

/**
 * Finds sudden moves of many series and gathers what moved together: all of the property, a group of it (a topic, a section,
 * a template), or one by itself.
 *
 * <p>A position is judged by itself; clicks are held against what is to be expected of its impressions at its positions, and
 * impressions against those of the others in the group, or of all where it is small, so that a season or a week of rain is no
 * move; nor is what came the same way a year before. Where half of a group's series move the same way within a week of each other,
 * that is one move of the group; likewise four tenths of all.
 */
public final class Moves {

    /** A week needs so many to say something of a position, of clicks that are expected, and of impressions. */
    private static final double PLACED = 5;

    private static final double EXPECTED = 3;
    private static final double SHOWN = 40;

    /** What is told: a tenth of a position, a fifth of the clicks, half of the impressions. */
    private static final Map<What, Double> SMALLEST =
            Map.of(What.POSITION, 0.1, What.CLICKS, 0.2, What.IMPRESSIONS, Math.log(2));

    private static final int YEAR = 52;
    private static final int LAST_YEAR = 8;
    private static final int FEWEST_LAST_YEAR = 3;
    private static final double AS_LAST_YEAR = 0.5;
    private static final double POSITION_ERROR = 0.3;
    private static final double MOST_OF_GROUP = 0.5;
    private static final double MOST_OF_ALL = 0.4;
    private static final int FEWEST_OF_GROUP = 3;
    private static final int FEWEST_OF_ALL = 5;
    private static final int LARGE = 5;
    private static final int TOGETHER = 1;
    private static final double WEEKS_A_MONTH = 365.25 / 12 / 7;

    private final WeeklyFigures figures;
    private final int[] groups;
    private final ClickRates rates;
    private final double[][] shownOfGroup;
    private final int[] sizes;
    private final double[] allShown;

    private Moves(WeeklyFigures figures, int[] groups, ClickRates rates) {
        this.figures = figures;
        this.groups = groups;
        this.rates = rates;
        int count = Arrays.stream(groups).max().orElse(-1) + 1;
        shownOfGroup = new double[count][figures.weeks()];
        sizes = new int[count];
        allShown = new double[figures.weeks()];
        for (int one = 0; one < figures.series(); one++) {
            if (groups[one] >= 0) sizes[groups[one]]++;
            for (int week = 0; week < figures.weeks(); week++) {
                if (groups[one] >= 0) shownOfGroup[groups[one]][week] += figures.impressions(one, week);
                allShown[week] += figures.impressions(one, week);
            }
        }
    }

    /** A break of one series. */
    private record Single(int one, Break at, double clicks) {}

    /**
     * Finds all moves, those with the most clicks at stake first.
     *
     * @param groups of each series, the number of its group; -1 for none
     * @param rates the clicks an impression brings by position
     */
    public static List<Move> of(WeeklyFigures figures, int[] groups, ClickRates rates) {
        Moves moves = new Moves(figures, groups, rates);
        List<Move> found = new ArrayList<>();
        for (What what : What.values()) moves.find(what, found);
        found.sort(Comparator.comparingDouble((Move move) -> -Math.abs(move.clicksPerMonth()))
                .thenComparing(Move::week, Comparator.reverseOrder())
                .thenComparing(move -> move.series().get(0)));
        return found;
    }

    private void find(What what, List<Move> found) {
        BitSet judged = new BitSet();
        List<Single> singles = IntStream.range(0, figures.series())
                .parallel()
                .mapToObj(one -> singles(what, one, judged))
                .flatMap(List::stream)
                .toList();
        Map<Integer, List<Single>> better = new HashMap<>();
        Map<Integer, List<Single>> worse = new HashMap<>();
        for (Single single : singles) {
            Map<Integer, List<Single>> same = single.at.ratio() > 1 ? better : worse;
            same.computeIfAbsent(single.at.week(), any -> new ArrayList<>()).add(single);
        }
        for (Map<Integer, List<Single>> byWeek : List.of(better, worse)) gather(what, byWeek, judged, found);
    }

    private List<Single> singles(What what, int one, BitSet judged) {
        double[] errors = new double[figures.weeks()];
        double[] values = switch (what) {
            case POSITION -> positions(one, errors);
            case CLICKS -> clicks(one, errors);
            case IMPRESSIONS -> impressions(one, errors);
        };
        if (values == null) return List.of();
        synchronized (judged) {
            judged.set(one);
        }
        return Breaks.of(values, errors, SMALLEST.get(what)).stream()
                .filter(at -> !cameLastYear(values, at))
                .map(at -> new Single(one, at, clicksPerMonth(what, one, at)))
                .toList();
    }

    /** Whether the same came a year before, within two weeks: then it is the season. */
    private static boolean cameLastYear(double[] values, Break at) {
        double change = at.after() - at.before();
        for (int week = at.week() - YEAR - 2; week <= at.week() - YEAR + 2; week++) {
            if (week < FEWEST_LAST_YEAR) continue;
            double before = mean(values, Math.max(0, week - LAST_YEAR), week);
            double after = mean(values, week, week + LAST_YEAR / 2);
            if ((after - before) / change >= AS_LAST_YEAR) return true;
        }
        return false;
    }

    private static double mean(double[] values, int from, int to) {
        return Arrays.stream(values, from, Math.min(values.length, to))
                .filter(value -> !Double.isNaN(value))
                .average()
                .orElse(Double.NaN);
    }

    private double[] positions(int one, double[] errors) {
        double[] values = new double[figures.weeks()];
        int known = 0;
        for (int week = 0; week < values.length; week++) {
            double shown = figures.placedImpressions(one, week);
            values[week] = shown < PLACED ? Double.NaN : Math.log(figures.position(one, week));
            if (Double.isNaN(values[week])) continue;
            known++;
            errors[week] = POSITION_ERROR / Math.sqrt(shown);
        }
        return known == 0 ? null : values;
    }

    /** Clicks against those to be expected; null where there are too few to judge. */
    private double[] clicks(int one, double[] errors) {
        double[] values = new double[figures.weeks()];
        int known = 0;
        for (int week = 0; week < values.length; week++) {
            double position = figures.position(one, week);
            double expected = position < 1 ? 0 : figures.impressions(one, week) * rates.at(position);
            if (expected < EXPECTED) {
                values[week] = Double.NaN;
                continue;
            }
            double own = figures.clicks(one, week);
            known++;
            values[week] = Math.log((own + 0.5) / (expected + 0.5));
            errors[week] = Math.sqrt(1 / (own + 1));
        }
        return known == 0 ? null : values;
    }

    /** Impressions against those of the others; null where there are too few to judge. */
    private double[] impressions(int one, double[] errors) {
        double sum = 0;
        for (int week = 0; week < figures.weeks(); week++) sum += figures.impressions(one, week);
        if (sum < SHOWN * figures.weeks()) return null;
        double[] all = allShown;
        double[] group = groups[one] < 0 ? all : shownOfGroup[groups[one]];
        if (groups[one] >= 0
                && sizes[groups[one]] > LARGE
                && Arrays.stream(group).sum() > LARGE * sum) all = group;
        double[] values = new double[figures.weeks()];
        for (int week = 0; week < values.length; week++) {
            double own = figures.impressions(one, week);
            double others = all[week] - own;
            if (!figures.isReported(week) || others <= 0) {
                values[week] = Double.NaN;
                continue;
            }
            values[week] = Math.log((own + 1) / (others + 1));
            errors[week] = Math.sqrt(1 / (own + 1));
        }
        return values;
    }

    private double clicksPerMonth(What what, int one, Break at) {
        int from = Math.max(0, at.week() - 13);
        double clicks = 0;
        double shown = 0;
        for (int week = from; week < at.week(); week++) {
            clicks += figures.clicks(one, week);
            shown += figures.impressions(one, week);
        }
        double weeks = Math.max(1, at.week() - from) / WEEKS_A_MONTH;
        if (what != What.POSITION) return clicks / weeks * (at.ratio() - 1);
        double before = rates.at(Math.exp(at.before()));
        return clicks == 0
                ? shown / weeks * (rates.at(Math.exp(at.after())) - before)
                : clicks / weeks * (rates.at(Math.exp(at.after())) / before - 1);
    }

    /** Takes the weeks in which most moved first. */
    private void gather(What what, Map<Integer, List<Single>> byWeek, BitSet judged, List<Move> found) {
        Set<Single> taken = new HashSet<>();
        List<Integer> weeks = byWeek.keySet().stream()
                .sorted(Comparator.comparingInt(
                                (Integer week) -> -near(byWeek, week, taken).size())
                        .thenComparing(Comparator.naturalOrder()))
                .toList();
        for (int week : weeks) {
            List<Single> near = near(byWeek, week, taken);
            if (near.size() >= Math.max(FEWEST_OF_ALL, MOST_OF_ALL * judged.cardinality())) {
                found.add(together(what, Spread.ALL, -1, near, judged.cardinality()));
                taken.addAll(near);
            }
        }
        for (int week : weeks) {
            Map<Integer, List<Single>> ofGroup = new HashMap<>();
            for (Single single : near(byWeek, week, taken))
                if (groups[single.one] >= 0)
                    ofGroup.computeIfAbsent(groups[single.one], any -> new ArrayList<>())
                            .add(single);
            ofGroup.forEach((group, some) -> {
                int of = (int)
                        judged.stream().filter(one -> groups[one] == group).count();
                if (some.size() < Math.max(FEWEST_OF_GROUP, MOST_OF_GROUP * of)) return;
                found.add(together(what, Spread.GROUP, group, some, of));
                taken.addAll(some);
            });
        }
        for (List<Single> some : byWeek.values()) {
            for (Single single : some) {
                if (!taken.contains(single)) found.add(together(what, Spread.ONE, -1, List.of(single), 1));
            }
        }
    }

    /** The breaks within a week of one, that are not part of another move; of each series the strongest. */
    private static List<Single> near(Map<Integer, List<Single>> byWeek, int week, Set<Single> taken) {
        Map<Integer, Single> near = new HashMap<>();
        for (int other = week - TOGETHER; other <= week + TOGETHER; other++) {
            for (Single single : byWeek.getOrDefault(other, List.of())) {
                if (taken.contains(single)) continue;
                near.merge(single.one, single, (one, two) -> one.at.noises() >= two.at.noises() ? one : two);
            }
        }
        return List.copyOf(near.values());
    }

    private static Move together(What what, Spread spread, int group, List<Single> some, int of) {
        List<Single> sorted = some.stream()
                .sorted(Comparator.comparingDouble((Single single) -> -Math.abs(single.clicks))
                        .thenComparingInt(Single::one))
                .toList();
        double ratio = middle(sorted.stream().mapToDouble(single -> single.at.ratio()));
        double before = middle(sorted.stream().mapToDouble(single -> Math.exp(single.at.before())));
        int week = sorted.stream().mapToInt(single -> single.at.week()).sorted().toArray()[sorted.size() / 2];
        return new Move(
                what,
                week,
                spread,
                group,
                sorted.stream().map(Single::one).toList(),
                of,
                before,
                before * ratio,
                ratio,
                middle(sorted.stream().mapToDouble(single -> single.at.noises())),
                sorted.stream().mapToDouble(Single::clicks).sum());
    }

    private static double middle(DoubleStream values) {
        double[] sorted = values.sorted().toArray();
        return sorted[sorted.length / 2];
    }
}
