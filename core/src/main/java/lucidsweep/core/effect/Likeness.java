package lucidsweep.core.effect;

import java.util.Arrays;
import java.util.Comparator;
import lucidsweep.core.demand.WeeklyFigures;

/**
 * Finds for changed items the ones that were left alone and are most like them before the change: in level, trend, season
 * (what the same weeks did a year before), position and template.
 *
 * <p>The distance is the sum of squared differences, each in standard deviations over all items left alone; another template
 * counts like two standard deviations. Logs of counts have {@link #PRIOR} clicks added, so that few clicks do not look like
 * great differences.
 */
final class Likeness {

    static final int MOST = 10;
    private static final int FEWEST = 3;
    private static final double FARTHEST = 5;
    private static final double PRIOR = 10;
    private static final double OTHER_TEMPLATE = 4;
    private static final int YEAR = 52;

    /** Fewer weeks of the year before tell more of chance than of a season. */
    private static final int FEWEST_OF_LAST_YEAR = 13;

    private static final int FEATURES = 4;

    private final WeeklyFigures figures;
    private final int[] templates;
    private final Windows windows;
    private final int[] left;
    private final double[][] features;
    private final double[] scales = new double[FEATURES];

    /** @param left items that were left alone, by number */
    Likeness(WeeklyFigures figures, int[] templates, Windows windows, int[] left) {
        this.figures = figures;
        this.templates = templates;
        this.windows = windows;
        Integer[] order = Arrays.stream(left).boxed().toArray(Integer[]::new);
        double[][] unsorted = new double[figures.series()][];
        for (int item : left) unsorted[item] = features(item);
        Arrays.sort(
                order,
                Comparator.comparingDouble((Integer item) -> unsorted[item][0]).thenComparingInt(item -> item));
        this.left = Arrays.stream(order).mapToInt(Integer::intValue).toArray();
        features = Arrays.stream(this.left).mapToObj(item -> unsorted[item]).toArray(double[][]::new);
        for (int i = 0; i < FEATURES; i++) scales[i] = deviation(i);
    }

    /** The items most like one, the nearest first; none where fewer than three are near enough. */
    int[] nearest(int item) {
        double[] own = features(item);
        double[] distances = new double[MOST];
        int[] found = new int[MOST];
        int count = 0;
        int above = Arrays.binarySearch(features, own, Comparator.comparingDouble((double[] each) -> each[0]));
        if (above < 0) above = -above - 1;
        int below = above - 1;
        while (below >= 0 || above < left.length) {
            double down = below < 0 ? Double.MAX_VALUE : square(own, features[below], 0);
            double up = above >= left.length ? Double.MAX_VALUE : square(own, features[above], 0);
            double bound = count < MOST ? FARTHEST : distances[MOST - 1];
            if (Math.min(down, up) > bound) break;
            int at = down <= up ? below-- : above++;
            double distance = distance(own, features[at], templates[item] == templates[left[at]]);
            if (distance > bound || count == MOST && distance >= bound) continue;
            int place = count < MOST ? count++ : MOST - 1;
            while (place > 0 && distances[place - 1] > distance) {
                distances[place] = distances[place - 1];
                found[place] = found[place - 1];
                place--;
            }
            distances[place] = distance;
            found[place] = left[at];
        }
        return count < FEWEST ? new int[0] : Arrays.copyOf(found, count);
    }

    private double distance(double[] own, double[] other, boolean sameTemplate) {
        double sum = sameTemplate ? 0 : OTHER_TEMPLATE;
        for (int i = 0; i < FEATURES; i++) sum += square(own, other, i);
        return sum;
    }

    private double square(double[] own, double[] other, int feature) {
        double difference = (own[feature] - other[feature]) / scales[feature];
        return difference * difference;
    }

    /** Level, trend, season and position of an item before the change. */
    private double[] features(int item) {
        int middle = (windows.from() + windows.to()) / 2;
        double early = clicks(item, windows.from(), middle);
        double late = clicks(item, middle, windows.to());
        return new double[] {
            Math.log(early + late + PRIOR / 2),
            Math.log((late + PRIOR) / (early + PRIOR)),
            season(item),
            windows.logPosition(figures, item)
        };
    }

    /** What became of an item a year before, from as many of the same weeks before on as are known; 0 where too few are. */
    private double season(int item) {
        int from = Math.max(0, windows.from() - YEAR);
        int to = windows.to() - YEAR;
        if (to - from < FEWEST_OF_LAST_YEAR) return 0;
        double before = clicks(item, from, to);
        double after = clicks(item, windows.counted() - YEAR, figures.weeks() - YEAR);
        double longer = (to - from) / (double) (figures.weeks() - windows.counted());
        return Math.log((after * longer + PRIOR) / (before + PRIOR));
    }

    private double clicks(int item, int from, int to) {
        double sum = 0;
        for (int week = from; week < to; week++) sum += figures.clicks(item, week);
        return sum;
    }

    private double deviation(int feature) {
        double mean = 0;
        double squares = 0;
        for (double[] each : features) {
            mean += each[feature];
            squares += each[feature] * each[feature];
        }
        mean /= features.length;
        return Math.max(1e-6, Math.sqrt(Math.max(0, squares / features.length - mean * mean)));
    }
}
