package lucidsweep.core.demand;

import java.util.Arrays;

/**
 * Clicks, impressions and positions of many series (items or queries) by week, in columns.
 *
 * <pre>{@code figures.add(item, week, 12, 340, 4.2); figures.clicks(item, week)   // 12 }</pre>
 */
public final class WeeklyFigures {

    private final int series;
    private final int weeks;
    private final int lastDay;
    private final float[] clicks;
    private final float[] impressions;
    private final float[] placed;
    private final float[] places;
    private final boolean[] reported;

    /**
     * Nothing of so many series yet.
     *
     * @param lastDay the last day of the last week, counted from 1970-01-01 on
     */
    public WeeklyFigures(int series, int weeks, int lastDay) {
        this.series = series;
        this.weeks = weeks;
        this.lastDay = lastDay;
        clicks = new float[series * weeks];
        impressions = new float[series * weeks];
        placed = new float[series * weeks];
        places = new float[series * weeks];
        reported = new boolean[weeks];
    }

    /** Adds what is reported of a series in a week; a position below 1 is not known. */
    public void add(int one, int week, double clicked, double shown, double position) {
        int at = one * weeks + week;
        clicks[at] += (float) clicked;
        impressions[at] += (float) shown;
        reported[week] = true;
        if (position < 1) return;
        placed[at] += (float) shown;
        places[at] += (float) (Math.log(position) * shown);
    }

    public int series() {
        return series;
    }

    public int weeks() {
        return weeks;
    }

    /** The first day of a week, counted from 1970-01-01 on. */
    public int firstDay(int week) {
        return lastDay - 7 * (weeks - week) + 1;
    }

    /** The week that a day lies in; negative before the first, {@link #weeks()} or more after the last. */
    public int week(int day) {
        return Math.floorDiv(day - firstDay(0), 7);
    }

    /** Whether anything is reported of a week, of any series. */
    public boolean isReported(int week) {
        return reported[week];
    }

    public double clicks(int one, int week) {
        return clicks[one * weeks + week];
    }

    public double impressions(int one, int week) {
        return impressions[one * weeks + week];
    }

    /** The impressions of a position that is known. */
    public double placedImpressions(int one, int week) {
        return placed[one * weeks + week];
    }

    /** The sum of the logs of positions, each as often as it was seen. */
    public double logPositions(int one, int week) {
        return places[one * weeks + week];
    }

    /** The position in a week, the geometric mean over impressions; 0 where not known. */
    public double position(int one, int week) {
        double shown = placedImpressions(one, week);
        return shown <= 0 ? 0 : Math.exp(logPositions(one, week) / shown);
    }

    /** The numbers of series with so many clicks or more in all. */
    public int[] withClicks(double least) {
        int[] some = new int[series];
        int count = 0;
        for (int one = 0; one < series; one++) {
            double sum = 0;
            for (int week = 0; week < weeks; week++) sum += clicks(one, week);
            if (sum >= least) some[count++] = one;
        }
        return Arrays.copyOf(some, count);
    }
}
