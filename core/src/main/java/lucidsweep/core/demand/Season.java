package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The months in which a phrase is searched far more than in the others.
 *
 * <p>The steady growth from year to year (the median of the differences of twelve months) is taken out first, so that it is no
 * season. Then each year back from the last month is measured by itself. A month stands out where it
 * lies a robust deviation (1.4826 times the median deviation) and a quarter above the year's median. It is a peak of
 * every year with two peaks in two years; where only one year is known, that is said.
 *
 * @param peaks months, 1 for January, in the order of the season
 * @param evidence how many years speak for them
 */
public record Season(List<Integer> peaks, Evidence evidence) {

    private static final List<String> MONTHS = List.of(
            "January",
            "February",
            "March",
            "April",
            "May",
            "June",
            "July",
            "August",
            "September",
            "October",
            "November",
            "December");
    private static final int YEAR = 12;
    private static final double TO_DEVIATION = 1.4826;
    private static final double MIN_ABOVE = 1.25;
    private static final double MIN_DEVIATION = 0.04;

    /** How sure a season is. */
    public enum Evidence {
        NONE,
        ONE_YEAR,
        EVERY_YEAR
    }

    /**
     * Finds it.
     *
     * @param volumes searches by month, the latest last; negative where not known
     * @param lastMonth the month of the last one, 1 to 12
     */
    public static Season of(long[] volumes, int lastMonth) {
        int[] seen = new int[YEAR];
        int[] stoodOut = new int[YEAR];
        double[] level = withoutGrowth(volumes);
        for (int end = volumes.length; end >= YEAR; end -= YEAR) {
            countYear(Arrays.copyOfRange(level, end - YEAR, end), lastMonth, seen, stoodOut);
        }
        List<Integer> every = new ArrayList<>();
        List<Integer> once = new ArrayList<>();
        for (int month = 0; month < YEAR; month++) {
            if (stoodOut[month] >= 2 && stoodOut[month] * 2 > seen[month]) every.add(month + 1);
            else if (stoodOut[month] == 1 && seen[month] == 1) once.add(month + 1);
        }
        if (!every.isEmpty()) return new Season(inOrder(every), Evidence.EVERY_YEAR);
        if (!once.isEmpty()) return new Season(inOrder(once), Evidence.ONE_YEAR);
        return new Season(List.of(), Evidence.NONE);
    }

    /** The volumes as they would be in the last year; NaN where not known. */
    private static double[] withoutGrowth(long[] volumes) {
        double[] growths = IntStream.range(YEAR, volumes.length)
                .filter(i -> volumes[i] >= 0 && volumes[i - YEAR] >= 0)
                .mapToDouble(i -> volumes[i] - volumes[i - YEAR])
                .sorted()
                .toArray();
        double growth = growths.length == 0 ? 0 : median(growths) / YEAR;
        double[] level = new double[volumes.length];
        for (int i = 0; i < level.length; i++) {
            level[i] = volumes[i] < 0 ? Double.NaN : volumes[i] + growth * (level.length - 1 - i);
        }
        return level;
    }

    private static void countYear(double[] year, int lastMonth, int[] seen, int[] stoodOut) {
        double[] known = Arrays.stream(year)
                .filter(volume -> !Double.isNaN(volume))
                .sorted()
                .toArray();
        if (known.length < YEAR - 2) return;
        double median = median(known);
        double[] off = Arrays.stream(known)
                .map(volume -> Math.abs(volume - median))
                .sorted()
                .toArray();
        double deviation = Math.max(TO_DEVIATION * median(off), MIN_DEVIATION * median);
        for (int i = 0; i < YEAR; i++) {
            int month = Math.floorMod(lastMonth - YEAR + i, YEAR);
            if (Double.isNaN(year[i])) continue;
            seen[month]++;
            if (year[i] > 0 && year[i] >= median + deviation && year[i] >= MIN_ABOVE * median) {
                stoodOut[month]++;
            }
        }
    }

    private static double median(double[] sorted) {
        int middle = sorted.length / 2;
        return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    }

    /** A season that runs over the turn of the year begins in autumn. */
    private static List<Integer> inOrder(List<Integer> months) {
        int start = 0;
        for (int i = 0; i < months.size(); i++) {
            int before = months.get(Math.floorMod(i - 1, months.size()));
            if (Math.floorMod(months.get(i) - before, YEAR) != 1) {
                start = i;
                break;
            }
        }
        List<Integer> ordered = new ArrayList<>(months.subList(start, months.size()));
        ordered.addAll(months.subList(0, start));
        return List.copyOf(ordered);
    }

    /** Whether a month belongs to the season: it is a peak, or the next month is, since people look for things ahead. */
    public boolean includes(int month) {
        return peaks.contains(month) || peaks.contains(month % YEAR + 1);
    }

    /** In words: "May to July", "December", "April and August; one year only", or "" where there is none. */
    public String words() {
        List<String> runs = new ArrayList<>();
        for (int i = 0; i < peaks.size(); ) {
            int end = i;
            while (end + 1 < peaks.size() && Math.floorMod(peaks.get(end + 1) - peaks.get(end), YEAR) == 1) end++;
            String first = name(peaks.get(i));
            runs.add(end == i ? first : first + (end == i + 1 ? " and " : " to ") + name(peaks.get(end)));
            i = end + 1;
        }
        return String.join(", ", runs) + (evidence == Evidence.ONE_YEAR ? "; one year only" : "");
    }

    /** The name of a month, 1 for January. */
    public static String name(int month) {
        return MONTHS.get(month - 1);
    }
}
