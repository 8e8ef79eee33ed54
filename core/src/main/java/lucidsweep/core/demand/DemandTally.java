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

    private final int from;
    private final int days;
    private final boolean[][] covered;
    private final Map<Integer, Integer> firstDays = new HashMap<>();
    private final Window[] windows = {new Window(), new Window(), new Window()};

    /** By their number, in the order in which they came: the item and query of each pair. */
    private long[] pairs = new long[1 << 10];

    /** By hash, the number of a pair plus 1; 0 for none. */
    private int[] table = new int[1 << 11];

    private int size;

    /** The sums of one window by the numbers of pairs; takes no room until a row lies in it. */
    private static final class Window {
        private long[] clicks = {};
        private long[] impressions = {};
        private double[] places = {};
        private long[] placed = {};

        private void add(int pair, int capacity, long clicked, long shown, double position) {
            if (pair >= clicks.length) {
                clicks = Arrays.copyOf(clicks, capacity);
                impressions = Arrays.copyOf(impressions, capacity);
                places = Arrays.copyOf(places, capacity);
                placed = Arrays.copyOf(placed, capacity);
            }
            clicks[pair] += clicked;
            impressions[pair] += shown;
            if (position < 1) return;
            places[pair] += position * shown;
            placed[pair] += shown;
        }

        private Sum sum(int pair) {
            if (pair >= clicks.length || clicks[pair] == 0 && impressions[pair] == 0) return Sum.NONE;
            long shown = placed[pair];
            return new Sum(clicks[pair], impressions[pair], shown, shown == 0 ? 0 : places[pair] / shown);
        }
    }

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
    }

    /**
     * What was reported.
     *
     * @param placed the impressions whose position is known
     * @param position the mean over those; 0 where none is known
     */
    public record Sum(long clicks, long impressions, long placed, double position) {

        /** Nothing at all. */
        public static final Sum NONE = new Sum(0, 0, 0, 0);

        /** Clicks an impression; 0 where nothing was shown. A report of more clicks than impressions gives 1. */
        public double rate() {
            return impressions == 0 ? 0 : Math.min(1, clicks / (double) impressions);
        }

        /** Both together. */
        public Sum plus(Sum other) {
            long both = placed + other.placed;
            double places = position * placed + other.position * other.placed;
            return new Sum(clicks + other.clicks, impressions + other.impressions, both, both == 0 ? 0 : places / both);
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
            windows[window].add(number((long) item << 32 | query), pairs.length, clicked, shown, position);
        }
    }

    /** The first day of a window: 0 for the one that was asked for, 1 for the one before, 2 for a year before. */
    private int start(int window) {
        return window == 0 ? from : window == 1 ? from - days : from - YEAR;
    }

    private int number(long pair) {
        int slot = slot(pair);
        if (table[slot] != 0) return table[slot] - 1;
        if (size == pairs.length) {
            pairs = Arrays.copyOf(pairs, size + size / 2);
            if (2 * pairs.length > table.length) {
                table = new int[table.length * 2];
                for (int number = 0; number < size; number++) table[slot(pairs[number])] = number + 1;
            }
            slot = slot(pair);
        }
        pairs[size] = pair;
        table[slot] = ++size;
        return size - 1;
    }

    /** Where a pair stands in the table, or would. */
    private int slot(long pair) {
        int slot = (int) ((pair * 0x9E3779B97F4A7C15L >>> 32) & table.length - 1);
        while (table[slot] != 0 && pairs[table[slot] - 1] != pair) slot = slot + 1 & table.length - 1;
        return slot;
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
        long[] all = Arrays.copyOf(pairs, size);
        Arrays.sort(all);
        List<Line> lines = new ArrayList<>(size);
        for (long pair : all) {
            int number = table[slot(pair)] - 1;
            lines.add(new Line(
                    (int) (pair >>> 32),
                    (int) pair,
                    windows[0].sum(number),
                    windows[1].sum(number),
                    windows[2].sum(number)));
        }
        return lines;
    }
}
