package lucidsweep.core.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Rows of demand held in columns, so that a million of them are added up anew for any window, country and item while a
 * person waits. Items, queries and countries are numbers of 0 or more, an item or a query that is not named is
 * {@link #NONE}; days are counted from 1970-01-01 on.
 *
 * <p>A report by item alone, or by query alone, says over again what a report by both says: such a row does not count where
 * rows by both cover its days for the same item or query, and one by query alone counts in no total where any row names an item.
 * Likewise a row by week or month does not count where rows by day or week cover its days for the same item, query and country.
 */
public final class DemandRows {

    /** An item or a query that a row does not name. */
    public static final int NONE = -1;

    private static final int WEEK = 7;
    private static final int LONGEST_DAY = 2;
    private static final int LONGEST_WEEK = 10;
    private static final int LATE_DAYS = 2;
    private static final int MOST_PARTS = 32;

    private int size;
    private int[] items = new int[1 << 10];
    private int[] queries = new int[1 << 10];
    private int[] countries = new int[1 << 10];
    private int[] firsts = new int[1 << 10];
    private int[] lasts = new int[1 << 10];
    private long[] clicks = new long[1 << 10];
    private long[] impressions = new long[1 << 10];
    private float[] positions = new float[1 << 10];
    private boolean namesItems;
    private BitSet saidAgain;
    private BitSet middles;
    private int usualDays = -1;
    private int firstDay = Integer.MAX_VALUE;
    private int lastDay = Integer.MIN_VALUE;

    /** What rows are added up for. */
    public enum By {
        ITEM,
        QUERY,
        COUNTRY,
        ALL
    }

    /**
     * Which rows count.
     *
     * @param items, queries only of these; null for any
     * @param country only this one; negative for any
     */
    public record Only(BitSet items, BitSet queries, int country) {

        /** All rows. */
        public static final Only ANY = new Only(null, null, -1);
    }

    /** A week that ends as the last day of all does. */
    public record Week(int first, DemandTally.Sum sum) {}

    /**
     * Adds a row.
     *
     * @param first, last days of its period
     * @param position below 1 where not known
     */
    public void add(int item, int query, int country, int first, int last, long clicked, long shown, double position) {
        if (size == items.length) grow();
        namesItems |= item != NONE;
        saidAgain = null;
        middles = null;
        usualDays = -1;
        items[size] = item;
        queries[size] = query;
        countries[size] = country;
        firsts[size] = first;
        lasts[size] = last;
        clicks[size] = clicked;
        impressions[size] = shown;
        positions[size++] = (float) position;
        firstDay = Math.min(firstDay, first);
        lastDay = Math.max(lastDay, last);
    }

    private void grow() {
        int wider = size * 2;
        items = Arrays.copyOf(items, wider);
        queries = Arrays.copyOf(queries, wider);
        countries = Arrays.copyOf(countries, wider);
        firsts = Arrays.copyOf(firsts, wider);
        lasts = Arrays.copyOf(lasts, wider);
        clicks = Arrays.copyOf(clicks, wider);
        impressions = Arrays.copyOf(impressions, wider);
        positions = Arrays.copyOf(positions, wider);
    }

    public int size() {
        return size;
    }

    /** The first day that a row covers; of no rows a day later than all. */
    public int firstDay() {
        return firstDay;
    }

    /** The last day that a row covers; of no rows a day earlier than all. */
    public int lastDay() {
        return lastDay;
    }

    /**
     * Adds up a window, the one before, and the one a year before; the item of each line is the number of what the rows are
     * added up for, 0 for all.
     *
     * @param from, to the window's first and last day
     */
    public DemandTally tally(int from, int to, By by, Only only) {
        DemandTally tally = new DemandTally(from, to);
        BitSet again = saidAgain();
        for (int row = 0; row < size; row++) {
            if (again.get(row) || !counts(row, only) || number(row, by) == NONE || !isOfTotal(row, by)) continue;
            tally.add(number(row, by), 0, firsts[row], lasts[row], clicks[row], impressions[row], positions[row]);
        }
        return tally;
    }

    /** The same by item and query at once; rows that do not name both say nothing here. */
    public DemandTally tallyPairs(int from, int to, Only only) {
        DemandTally tally = new DemandTally(from, to);
        for (int row = 0; row < size; row++) {
            if (items[row] == NONE || queries[row] == NONE || !counts(row, only)) continue;
            tally.add(items[row], queries[row], firsts[row], lasts[row], clicks[row], impressions[row], positions[row]);
        }
        return tally;
    }

    private int number(int row, By by) {
        return switch (by) {
            case ITEM -> items[row];
            case QUERY -> queries[row];
            case COUNTRY -> countries[row];
            case ALL -> 0;
        };
    }

    /** The rows by item or query alone whose days rows by both cover. */
    private synchronized BitSet saidAgain() {
        if (saidAgain != null) return saidAgain;
        Map<Integer, int[]> ofItems = new HashMap<>();
        Map<Integer, int[]> ofQueries = new HashMap<>();
        BitSet partial = new BitSet();
        for (int row = 0; row < size; row++) {
            if (items[row] == NONE || queries[row] == NONE) partial.set(row);
        }
        for (int row = partial.isEmpty() ? size : 0; row < size; row++) {
            if (partial.get(row)) continue;
            cover(ofItems, items[row], row);
            cover(ofQueries, queries[row], row);
        }
        BitSet again = new BitSet();
        partial.stream()
                .filter(row ->
                        isCovered(items[row] == NONE ? ofQueries.get(queries[row]) : ofItems.get(items[row]), row))
                .forEach(again::set);
        addLonger(again);
        saidAgain = again;
        return again;
    }

    /** Adds the rows by week or month whose days shorter ones cover: all of these days, and some for the same item and query. */
    private void addLonger(BitSet again) {
        int[] classes = new int[3];
        for (int row = 0; row < size; row++) classes[lengthClass(row)]++;
        for (int longer = 1; longer < classes.length; longer++) {
            if (classes[longer] == 0 || classes[longer] == size) continue;
            BitSet covered = new BitSet();
            Map<List<Integer>, int[]> shorter = new HashMap<>();
            for (int row = 0; row < size; row++) {
                if (lengthClass(row) >= longer) continue;
                if (firsts[row] >= 0) covered.set(firsts[row], lasts[row] + 1);
                int[] days = shorter.computeIfAbsent(key(row), any -> new int[] {Integer.MAX_VALUE, Integer.MIN_VALUE});
                days[0] = Math.min(days[0], firsts[row]);
                days[1] = Math.max(days[1], lasts[row]);
            }
            for (int row = 0; row < size; row++) {
                if (lengthClass(row) != longer || firsts[row] < 0) continue;
                int[] days = shorter.get(key(row));
                if (days != null
                        && days[0] <= lasts[row]
                        && days[1] >= firsts[row]
                        && covered.nextClearBit(firsts[row]) > lasts[row]) again.set(row);
            }
        }
    }

    private List<Integer> key(int row) {
        return List.of(items[row], queries[row], countries[row]);
    }

    /** 0 by day, 1 by week, 2 by month or longer. */
    private int lengthClass(int row) {
        int days = lasts[row] - firsts[row] + 1;
        return days <= LONGEST_DAY ? 0 : days <= LONGEST_WEEK ? 1 : 2;
    }

    /** The last day that reports are whole of: by day, the last two come in late. */
    public int lastWholeDay() {
        return usualDays() == 1 ? lastDay - LATE_DAYS : lastDay;
    }

    /** How many days most rows are of: 1, 7, or 28 to 31; 0 of no rows. */
    public synchronized int usualDays() {
        if (usualDays >= 0) return usualDays;
        int[] days = new int[size];
        for (int row = 0; row < size; row++) days[row] = lasts[row] - firsts[row] + 1;
        Arrays.sort(days);
        usualDays = size == 0 ? 0 : days[size / 2];
        return usualDays;
    }

    /** How often each item or query was shown, by its number. */
    public long[] impressions(By by, int numbers) {
        long[] sums = new long[numbers];
        BitSet again = saidAgain();
        for (int row = 0; row < size; row++)
            if (!again.get(row) && number(row, by) != NONE) sums[number(row, by)] += impressions[row];
        return sums;
    }

    /**
     * By week, for each item or query, up to the last day that reports are whole of.
     *
     * <p>Positions are of an even mix: that an item is shown more for a query at which it stands lower, in a season, does not
     * move it. A row by month is spread evenly over its weeks; any other counts where its middle lies.
     *
     * @param by {@link By#ITEM} or {@link By#QUERY}
     * @param numbers of the items or queries that are wanted, rising; they are the series, in this order
     */
    public WeeklyFigures weekly(By by, Only only, int[] numbers) {
        int last = lastWholeDay();
        int weeks = size == 0 ? 0 : Math.max(0, last - firstDay) / WEEK + 1;
        WeeklyFigures figures = new WeeklyFigures(numbers.length, weeks, last);
        EvenMix mix = new EvenMix(by, only, numbers);
        for (int row = 0; row < size; row++) {
            int one = mix.series(row);
            if (one == NONE) continue;
            double position = mix.position(row, one);
            if (lengthClass(row) < 2) {
                int week = figures.week(middle(row));
                if (week >= 0 && week < weeks) figures.add(one, week, clicks[row], impressions[row], position);
                continue;
            }
            double days = lasts[row] - firsts[row] + 1;
            int end = Math.min(weeks - 1, figures.week(lasts[row]));
            for (int week = Math.max(0, figures.week(firsts[row])); week <= end; week++) {
                int from = Math.max(firsts[row], figures.firstDay(week));
                int to = Math.min(lasts[row], figures.firstDay(week) + WEEK - 1);
                double share = (to - from + 1) / days;
                figures.add(one, week, clicks[row] * share, impressions[row] * share, position);
            }
        }
        return figures;
    }

    /** Which items a query was shown with, a stretch of weeks each. */
    public record Holder(int item, int firstWeekDay, int weeks, double position) {}

    /**
     * The item that queries were shown with most, week by week; weeks with the same one on end are one stretch. A single week
     * with another one between two of the same is passed over.
     */
    public List<Holder> holders(Only only) {
        int[] shown = itemsOf(only);
        WeeklyFigures figures = weekly(By.ITEM, only, shown);
        int[] best = new int[figures.weeks()];
        Arrays.fill(best, NONE);
        for (int week = 0; week < best.length; week++) {
            for (int one = 0; one < shown.length; one++) {
                double impressions = figures.impressions(one, week);
                if (impressions > 0 && (best[week] == NONE || impressions > figures.impressions(best[week], week)))
                    best[week] = one;
            }
        }
        for (int week = 1; week + 1 < best.length; week++)
            if (best[week - 1] == best[week + 1]) best[week] = best[week - 1];
        List<Holder> holders = new ArrayList<>();
        for (int week = 0; week < best.length; ) {
            int end = week;
            while (end < best.length && best[end] == best[week]) end++;
            if (best[week] != NONE) {
                double places = 0;
                double placed = 0;
                for (int each = week; each < end; each++) {
                    places += figures.logPositions(best[week], each);
                    placed += figures.placedImpressions(best[week], each);
                }
                holders.add(new Holder(
                        shown[best[week]],
                        figures.firstDay(week),
                        end - week,
                        placed <= 0 ? 0 : Math.exp(places / placed)));
            }
            week = end;
        }
        return holders;
    }

    /**
     * The positions of rows as if an item had been shown for its queries, and a query in its countries and for its items, in
     * the same mix at all times: the mean of what is added up, and by how many times a row lies off the mean of its own kind.
     */
    private final class EvenMix {
        private final By by;
        private final Only only;
        private final int[] numbers;
        private final BitSet again = saidAgain();
        private final long[] kinds;
        private final double[][] ofKinds;
        private final double[][] ofSeries;

        private EvenMix(By by, Only only, int[] numbers) {
            this.by = by;
            this.only = only;
            this.numbers = numbers;
            long[] all = new long[size];
            int count = 0;
            for (int row = 0; row < size; row++) if (isPlaced(row) && series(row) != NONE) all[count++] = kind(row);
            kinds = Arrays.stream(all, 0, count).sorted().distinct().toArray();
            ofKinds = new double[2][kinds.length];
            ofSeries = new double[2][numbers.length];
            for (int row = 0; row < size; row++) {
                int one = isPlaced(row) ? series(row) : NONE;
                if (one == NONE) continue;
                add(ofKinds, Arrays.binarySearch(kinds, kind(row)), row);
                add(ofSeries, one, row);
            }
        }

        /** The place among the wanted numbers that a row counts for; {@link #NONE} where it counts for none. */
        private int series(int row) {
            if (again.get(row) || number(row, by) == NONE || !counts(row, only)) return NONE;
            return Math.max(NONE, Arrays.binarySearch(numbers, number(row, by)));
        }

        private boolean isPlaced(int row) {
            return positions[row] >= 1 && impressions[row] > 0;
        }

        private void add(double[][] sums, int at, int row) {
            sums[0][at] += Math.log(positions[row]) * impressions[row];
            sums[1][at] += impressions[row];
        }

        /** Another number for each item, query and country. */
        private long kind(int row) {
            return (items[row] + 1L) << 34 ^ (queries[row] + 1L) << 8 ^ countries[row];
        }

        private double position(int row, int one) {
            if (!isPlaced(row)) return positions[row];
            int kind = Arrays.binarySearch(kinds, kind(row));
            double off = Math.log(positions[row]) - ofKinds[0][kind] / ofKinds[1][kind];
            return Math.max(1, Math.exp(ofSeries[0][one] / ofSeries[1][one] + off));
        }
    }

    /** The numbers of the items that any of some rows is of, rising. */
    private int[] itemsOf(Only only) {
        BitSet found = new BitSet();
        for (int row = 0; row < size; row++) if (items[row] != NONE && counts(row, only)) found.set(items[row]);
        return found.stream().toArray();
    }

    /** What is reported of a stretch of days from one on. */
    public record Period(int first, DemandTally.Sum sum) {}

    /** The same of one part. */
    public Period[] periods(Only only, int[] starts) {
        return periods(new Only[] {only}, starts)[0];
    }

    /**
     * Sums by stretches of days, of several parts in one pass; a row counts where its middle lies.
     *
     * @param parts at most {@value #MOST_PARTS}
     * @param starts the first days of the stretches, rising; the last one is the day after the end
     * @return for each part one for each stretch; its sum is null where nothing at all is reported
     */
    public Period[][] periods(Only[] parts, int[] starts) {
        if (parts.length > MOST_PARTS)
            throw new IllegalArgumentException("expected at most " + MOST_PARTS + " parts, got " + parts.length);
        int count = starts.length - 1;
        int[] ofItems = masks(parts, Only::items, items);
        int[] ofQueries = masks(parts, Only::queries, queries);
        double[][] sums = new double[parts.length * 4][count];
        BitSet again = saidAgain();
        for (int row = 0; row < size; row++) {
            int mask = ofItems[items[row] + 1] & ofQueries[queries[row] + 1];
            if (mask == 0 || again.get(row) || !isOfTotal(row, By.ALL)) continue;
            int at = Arrays.binarySearch(starts, middle(row));
            int period = at < 0 ? -at - 2 : at;
            if (period < 0 || period >= count) continue;
            for (int rest = mask; rest != 0; rest &= rest - 1) {
                int part = Integer.numberOfTrailingZeros(rest);
                if (parts[part].country >= 0 && countries[row] != parts[part].country) continue;
                sums[4 * part][period] += clicks[row];
                sums[4 * part + 1][period] += impressions[row];
                if (positions[row] < 1) continue;
                sums[4 * part + 2][period] += positions[row] * (double) impressions[row];
                sums[4 * part + 3][period] += impressions[row];
            }
        }
        BitSet reported = middles();
        Period[][] periods = new Period[parts.length][count];
        for (int part = 0; part < parts.length; part++) {
            for (int i = 0; i < count; i++) {
                double placed = sums[4 * part + 3][i];
                int first = reported.nextSetBit(Math.max(0, starts[i]));
                periods[part][i] = new Period(
                        starts[i],
                        first < 0 || first >= starts[i + 1]
                                ? null
                                : new DemandTally.Sum(
                                        Math.round(sums[4 * part][i]),
                                        Math.round(sums[4 * part + 1][i]),
                                        Math.round(placed),
                                        placed == 0 ? 0 : sums[4 * part + 2][i] / placed));
            }
        }
        return periods;
    }

    private int middle(int row) {
        return firsts[row] + (lasts[row] - firsts[row]) / 2;
    }

    /** The days that the middles of rows lie on; none before 1970. */
    private synchronized BitSet middles() {
        if (middles == null) {
            BitSet days = new BitSet();
            for (int row = 0; row < size; row++) days.set(Math.max(0, middle(row)));
            middles = days;
        }
        return middles;
    }

    /** For each number, and before them for none, the parts that it belongs to, a bit each. */
    private int[] masks(Only[] parts, Function<Only, BitSet> wanted, int[] numbers) {
        int most = -1;
        for (int row = 0; row < size; row++) most = Math.max(most, numbers[row]);
        int[] masks = new int[most + 2];
        for (int part = 0; part < parts.length; part++) {
            int bit = 1 << part;
            BitSet set = wanted.apply(parts[part]);
            if (set == null) for (int i = 0; i < masks.length; i++) masks[i] |= bit;
            else set.stream().filter(number -> number <= masks.length - 2).forEach(number -> masks[number + 1] |= bit);
        }
        return masks;
    }

    private void cover(Map<Integer, int[]> days, int number, int row) {
        int[] covered = days.computeIfAbsent(number, any -> new int[] {firsts[row], lasts[row]});
        covered[0] = Math.min(covered[0], firsts[row]);
        covered[1] = Math.max(covered[1], lasts[row]);
    }

    private boolean isCovered(int[] days, int row) {
        int middle = firsts[row] + (lasts[row] - firsts[row]) / 2;
        return days != null && days[0] <= middle && middle <= days[1];
    }

    /** Whether a row counts where items or queries are added up together. */
    private boolean isOfTotal(int row, By by) {
        return by == By.ITEM || by == By.QUERY || items[row] != NONE || !namesItems;
    }

    private boolean counts(int row, Only only) {
        return (only.items == null || items[row] != NONE && only.items.get(items[row]))
                && (only.queries == null || queries[row] != NONE && only.queries.get(queries[row]))
                && (only.country < 0 || countries[row] == only.country);
    }

    /** All weeks, the earliest first; a row counts where the middle of its period lies. */
    public Week[] weeks(Only only) {
        if (size == 0) return new Week[0];
        int count = (lastDay - firstDay) / WEEK + 1;
        long[][] sums = new long[3][count];
        double[] places = new double[count];
        BitSet again = saidAgain();
        for (int row = 0; row < size; row++) {
            if (again.get(row) || !counts(row, only) || !isOfTotal(row, By.ALL)) continue;
            int middle = firsts[row] + (lasts[row] - firsts[row]) / 2;
            int week = count - 1 - (lastDay - middle) / WEEK;
            sums[0][week] += clicks[row];
            sums[1][week] += impressions[row];
            if (positions[row] < 1) continue;
            places[week] += positions[row] * (double) impressions[row];
            sums[2][week] += impressions[row];
        }
        Week[] weeks = new Week[count];
        for (int i = 0; i < count; i++) {
            double position = sums[2][i] == 0 ? 0 : places[i] / sums[2][i];
            weeks[i] = new Week(
                    lastDay - WEEK * (count - i) + 1,
                    new DemandTally.Sum(sums[0][i], sums[1][i], sums[2][i], position));
        }
        return weeks;
    }
}
