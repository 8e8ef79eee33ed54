package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Adds up what is reported of items and queries in a window of days, in the one before of the same length, and in the same
 * window a year before (52 weeks, so that the days of the week are the same). A row counts where the middle of its period
 * lies. Days are counted from 1970-01-01 on.
 */
public final class DemandTally {

    private static final int YEAR = 364;
    private static final double DAYS_A_MONTH = 365.25 / 12;
    private static final int WINDOWS = 3;
    private static final long EMPTY = -1;

    private final int from;
    private final int days;
    private final boolean[][] covered;
    private final Map<Integer, Integer> firstDays = new HashMap<>();
    private long[] keys = new long[1 << 10];
    private long[][] clicks = new long[WINDOWS][1 << 10];
    private long[][] impressions = new long[WINDOWS][1 << 10];
    private double[][] places = new double[WINDOWS][1 << 10];
    private long[][] placed = new long[WINDOWS][1 << 10];
    private int size;

    /**
     * A tally of a window.
     *
     * @param from, to its first and last day
     */
    public DemandTally(int from, int to) {
        if (to < from) throw new IllegalArgumentException("expected the last day not before the first");
        this.from = from;
        days = to - from + 1;
        covered = new boolean[WINDOWS][days];
        Arrays.fill(keys, EMPTY);
    }

    /**
     * What was reported.
     *
     * @param position the mean over the impressions; 0 where none is known
     */
    public record Sum(long clicks, long impressions, double position) {

        /** Clicks an impression; 0 where nothing was shown. A report of more clicks than impressions gives 1. */
        public double rate() {
            return impressions == 0 ? 0 : Math.min(1, clicks / (double) impressions);
        }

        /** Both together; the position is the mean over the impressions of those that have one. */
        public Sum plus(Sum other) {
            long placed = (position < 1 ? 0 : impressions) + (other.position < 1 ? 0 : other.impressions);
            double places = (position < 1 ? 0 : position * impressions)
                    + (other.position < 1 ? 0 : other.position * other.impressions);
            return new Sum(clicks + other.clicks, impressions + other.impressions, placed == 0 ? 0 : places / placed);
        }
    }

    /** An item and a query, in the window, in the one before and a year before. */
    public record Line(int item, int query, Sum now, Sum before, Sum yearBefore) {

        /** The sums of both, under this line's numbers. */
        public Line plus(Line other) {
            return new Line(
                    item, query, now.plus(other.now), before.plus(other.before), yearBefore.plus(other.yearBefore));
        }
    }

    /**
     * Adds a row.
     *
     * @param item, query numbers of 0 or more
     * @param first, last days of its period
     * @param position below 1 where not known
     */
    public void add(int item, int query, int first, int last, long clicked, long shown, double position) {
        firstDays.merge(item, first, Math::min);
        int middle = first + (last - first) / 2;
        for (int window = 0; window < WINDOWS; window++) {
            int start = start(window);
            if (middle < start || middle >= start + days) continue;
            Arrays.fill(
                    covered[window], Math.max(0, first - start), Math.max(0, Math.min(days, last - start + 1)), true);
            add(window, slot((long) item << 32 | query), clicked, shown, position);
        }
    }

    private void add(int window, int slot, long clicked, long shown, double position) {
        clicks[window][slot] += clicked;
        impressions[window][slot] += shown;
        if (position < 1) return;
        places[window][slot] += position * shown;
        placed[window][slot] += shown;
    }

    /** The first day of a window: 0 for the one that was asked for, 1 for the one before, 2 for a year before. */
    private int start(int window) {
        return window == 0 ? from : window == 1 ? from - days : from - YEAR;
    }

    private int slot(long key) {
        if (size * 2 >= keys.length) grow();
        int slot = find(keys, key);
        if (keys[slot] == EMPTY) {
            keys[slot] = key;
            size++;
        }
        return slot;
    }

    private static int find(long[] keys, long key) {
        int slot = (int) ((key * 0x9E3779B97F4A7C15L >>> 32) & keys.length - 1);
        while (keys[slot] != EMPTY && keys[slot] != key) slot = slot + 1 & keys.length - 1;
        return slot;
    }

    private void grow() {
        long[] oldKeys = keys;
        keys = new long[oldKeys.length * 2];
        Arrays.fill(keys, EMPTY);
        int[] moved = new int[oldKeys.length];
        for (int i = 0; i < oldKeys.length; i++) {
            if (oldKeys[i] == EMPTY) continue;
            moved[i] = find(keys, oldKeys[i]);
            keys[moved[i]] = oldKeys[i];
        }
        for (int window = 0; window < WINDOWS; window++) {
            clicks[window] = moved(clicks[window], oldKeys, moved);
            impressions[window] = moved(impressions[window], oldKeys, moved);
            placed[window] = moved(placed[window], oldKeys, moved);
            double[] wider = new double[keys.length];
            for (int i = 0; i < oldKeys.length; i++) if (oldKeys[i] != EMPTY) wider[moved[i]] = places[window][i];
            places[window] = wider;
        }
    }

    private long[] moved(long[] values, long[] oldKeys, int[] moved) {
        long[] wider = new long[keys.length];
        for (int i = 0; i < oldKeys.length; i++) if (oldKeys[i] != EMPTY) wider[moved[i]] = values[i];
        return wider;
    }

    /** How many months of the window the rows cover; a gap in them does not count. */
    public double months() {
        return (days - missingDays()) / DAYS_A_MONTH;
    }

    /** How many days of the window no row covers. */
    public int missingDays() {
        return missingDays(0);
    }

    /** How many days no row covers of the window (0), the one before (1), or the one a year before (2). */
    public int missingDays(int window) {
        int count = 0;
        for (boolean day : covered[window]) if (!day) count++;
        return count;
    }

    /** The first day on which anything was reported of an item, in any window or outside them all; the last day there is for none. */
    public int firstDay(int item) {
        return firstDays.getOrDefault(item, Integer.MAX_VALUE);
    }

    /** All lines, by item and, within one, by query. */
    public List<Line> lines() {
        long[] all = Arrays.stream(keys).filter(key -> key != EMPTY).sorted().toArray();
        List<Line> lines = new ArrayList<>(all.length);
        for (long key : all) {
            int slot = find(keys, key);
            lines.add(new Line((int) (key >>> 32), (int) key, sum(0, slot), sum(1, slot), sum(2, slot)));
        }
        return lines;
    }

    private Sum sum(int window, int slot) {
        long shown = placed[window][slot];
        return new Sum(clicks[window][slot], impressions[window][slot], shown == 0 ? 0 : places[window][slot] / shown);
    }
}
