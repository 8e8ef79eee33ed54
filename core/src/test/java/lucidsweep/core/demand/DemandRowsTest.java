package lucidsweep.core.demand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.Collectors;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import org.junit.jupiter.api.Test;

/** Whatever is asked of the rows, it is what plain sums over them give. */
class DemandRowsTest {

    private static final int LAST = 20_699;

    private record Given(int item, int query, int country, int first, long clicks, long impressions, double position) {}

    private final List<Given> given = new ArrayList<>();
    private final DemandRows rows = new DemandRows();

    private void add(Given row) {
        given.add(row);
        rows.add(row.item, row.query, row.country, row.first, row.first + 6, row.clicks, row.impressions, row.position);
    }

    private void addSome() {
        Random random = new Random(7);
        for (int i = 0; i < 5_000; i++) {
            int week = random.nextInt(75);
            add(new Given(
                    random.nextInt(9),
                    random.nextInt(12),
                    random.nextInt(3),
                    LAST - 6 - 7 * week,
                    random.nextInt(4),
                    1 + random.nextInt(90),
                    random.nextInt(8) == 0 ? 0 : 1 + random.nextInt(40)));
        }
    }

    private static BitSet only(int number) {
        BitSet set = new BitSet();
        set.set(number);
        return set;
    }

    @Test
    void anyWindowOfAnyPartIsThePlainSum() {
        addSome();
        BitSet even = new BitSet();
        for (int query = 0; query < 12; query += 2) even.set(query);
        for (Only only : List.of(Only.ANY, new Only(only(3), null, 1), new Only(null, even, -1))) {
            for (int days : List.of(7, 28, 91, 364)) {
                int from = LAST - days + 1;
                Map<By, IntFunction<Integer>> keys = Map.of(
                        By.ITEM, i -> given.get(i).item,
                        By.QUERY, i -> given.get(i).query,
                        By.COUNTRY, i -> given.get(i).country,
                        By.ALL, i -> 0);
                keys.forEach((by, key) -> {
                    DemandTally tally = rows.tally(from, LAST, by, only);
                    if (only == Only.ANY) assertThat(tally.missingDays()).isZero();
                    for (DemandTally.Line line : tally.lines()) {
                        assertSum(line.now(), only, key, line.item(), from, days);
                        assertSum(line.before(), only, key, line.item(), from - days, days);
                        assertSum(line.yearBefore(), only, key, line.item(), from - 364, days);
                    }
                });
            }
        }
    }

    private void assertSum(DemandTally.Sum sum, Only only, IntFunction<Integer> key, int number, int from, int days) {
        long clicks = 0;
        long shown = 0;
        long placed = 0;
        double places = 0;
        for (int i = 0; i < given.size(); i++) {
            Given row = given.get(i);
            boolean counts = key.apply(i) == number
                    && (only.items() == null || row.item == 3)
                    && (only.country() < 0 || only.country() == row.country)
                    && (only.queries() == null || row.query % 2 == 0)
                    && row.first + 3 >= from
                    && row.first + 3 < from + days;
            if (!counts) continue;
            clicks += row.clicks;
            shown += row.impressions;
            if (row.position < 1) continue;
            placed += row.impressions;
            places += row.position * row.impressions;
        }
        assertThat(List.of(sum.clicks(), sum.impressions())).containsExactly(clicks, shown);
        assertThat(sum.position()).isCloseTo(placed == 0 ? 0 : places / placed, within(1e-6));
        assertThat(sum.rate()).isCloseTo(shown == 0 ? 0 : Math.min(1, clicks / (double) shown), within(1e-12));
    }

    @Test
    void theWeeksAddUpToAllThereIs() {
        assertThat(rows.weeks(Only.ANY)).isEmpty();
        addSome();
        DemandRows.Week[] weeks = rows.weeks(new Only(null, only(5), -1));
        assertThat(weeks).hasSize(75);
        assertThat(weeks[74].first()).isEqualTo(LAST - 6);
        Map<Integer, Long> plain = given.stream()
                .filter(row -> row.query == 5)
                .collect(Collectors.groupingBy(Given::first, Collectors.summingLong(Given::impressions)));
        Arrays.stream(weeks)
                .forEach(week -> assertThat(week.sum().impressions()).isEqualTo(plain.getOrDefault(week.first(), 0L)));
    }

    @Test
    void aWindowWithAGapSaysSo() {
        add(new Given(0, 0, 0, LAST - 6, 1, 10, 3));
        add(new Given(0, 0, 0, LAST - 27, 1, 10, 3));
        DemandTally tally = rows.tally(LAST - 27, LAST, By.ALL, Only.ANY);
        assertThat(tally.missingDays()).isEqualTo(14);
        assertThat(tally.missingDays(1)).isEqualTo(28);
        assertThat(tally.lines())
                .singleElement()
                .satisfies(line -> assertThat(line.before().impressions()).isZero());
    }

    @Test
    void whatAReportSaysByItemAloneOrByQueryAloneIsNotAddedTwice() {
        int none = DemandRows.NONE;
        DemandRows reported = new DemandRows();
        reported.add(0, 0, 0, 0, 6, 3, 30, 2);
        reported.add(0, none, 0, 0, 6, 5, 50, 2);
        reported.add(1, none, 0, 0, 6, 7, 70, 4);
        reported.add(none, 0, 0, 0, 6, 9, 90, 2);
        reported.add(none, 1, 0, 0, 6, 11, 110, 2);
        assertThat(sums(reported, By.ITEM)).containsExactly("0: 3", "1: 7");
        assertThat(sums(reported, By.QUERY)).containsExactly("0: 3", "1: 11");
        assertThat(sums(reported, By.ALL)).containsExactly("0: 10");
        assertThat(reported.weeks(Only.ANY)[0].sum().clicks()).isEqualTo(10);

        DemandRows byQueryOnly = new DemandRows();
        byQueryOnly.add(none, 0, 0, 0, 6, 9, 90, 2);
        assertThat(sums(byQueryOnly, By.ALL)).containsExactly("0: 9");
        assertThat(sums(byQueryOnly, By.ITEM)).isEmpty();
    }

    private static List<String> sums(DemandRows rows, By by) {
        return rows.tally(0, 6, by, Only.ANY).lines().stream()
                .map(line -> line.item() + ": " + line.now().clicks())
                .toList();
    }

    /** Days, weeks and months of the same query, as a person imports them over the years. */
    @Test
    void whatIsReportedByDayAndAgainByWeekCountsOnce() {
        DemandRows rows = new DemandRows();
        for (int day = 700; day < 716; day++) rows.add(0, 0, 0, day, day, 2, 20, 4);
        rows.add(0, 0, 0, 700, 706, 15, 150, 4);
        rows.add(0, 0, 0, 693, 699, 14, 140, 6);
        rows.add(0, 1, 0, 700, 706, 5, 50, 4);
        assertThat(rows.tally(693, 713, By.ITEM, Only.ANY).lines().get(0).now().clicks())
                .isEqualTo(28 + 14 + 5);
        WeeklyFigures weekly = rows.weekly(By.QUERY, Only.ANY, new int[] {0, 1});
        assertThat(weekly.weeks()).isEqualTo(3);
        assertThat(new double[] {weekly.clicks(0, 0), weekly.clicks(0, 1), weekly.clicks(0, 2)})
                .containsExactly(14, 14, 14);
        assertThat(weekly.clicks(1, 1)).isEqualTo(5);
        assertThat(weekly.position(0, 0)).isCloseTo(6, within(1e-6));
        assertThat(weekly.position(1, 0)).isZero();
        assertThat(rows.usualDays()).isEqualTo(1);
    }

    /** Days of January and of December, and weeks from between: the days say nothing of those weeks. */
    @Test
    void weeksBetweenTwoStretchesOfDaysCount() {
        DemandRows rows = new DemandRows();
        for (int day = 700; day < 714; day++) rows.add(0, 0, 0, day, day, 1, 10, 4);
        for (int week = 0; week < 4; week++) rows.add(0, 0, 0, 710 + 7 * week, 716 + 7 * week, 20, 200, 4);
        for (int day = 742; day < 756; day++) rows.add(0, 0, 0, day, day, 1, 10, 4);
        assertThat(rows.tally(700, 755, By.ALL, Only.ANY).lines().get(0).now().clicks())
                .as("the last week is said again by days, all others have days of their own")
                .isEqualTo(14 + 4 * 20 + 14);
        assertThat(rows.impressions(By.QUERY, 2)).containsExactly(1_080, 0);
    }

    /** What is asked of a few series is what stands for them among all, however the numbers lie. */
    @Test
    void aFewSeriesAreThoseAmongAll() {
        addSome();
        WeeklyFigures all = rows.weekly(By.ITEM, Only.ANY, new int[] {0, 1, 2, 3, 4, 5, 6, 7, 8});
        WeeklyFigures few = rows.weekly(By.ITEM, Only.ANY, new int[] {2, 7});
        for (int week = 0; week < all.weeks(); week++) {
            assertThat(few.clicks(0, week)).isEqualTo(all.clicks(2, week));
            assertThat(few.impressions(1, week)).isEqualTo(all.impressions(7, week));
            assertThat(few.position(1, week)).isCloseTo(all.position(7, week), within(1e-9));
        }
    }

    @Test
    void aMonthIsSpreadOverItsWeeksAndHolesAreTold() {
        DemandRows rows = new DemandRows();
        rows.add(0, 0, 0, 700, 727, 40, 400, 3);
        rows.add(0, 0, 0, 756, 783, 80, 800, 3);
        WeeklyFigures weekly = rows.weekly(By.ITEM, Only.ANY, new int[] {0});
        assertThat(weekly.weeks()).isEqualTo(12);
        assertThat(weekly.clicks(0, 0)).isEqualTo(10);
        assertThat(weekly.clicks(0, 11)).isEqualTo(20);
        assertThat(weekly.isReported(5)).isFalse();
        assertThat(weekly.week(weekly.firstDay(4))).isEqualTo(4);
        DemandRows.Period[] months = rows.periods(Only.ANY, new int[] {700, 728, 756, 784});
        assertThat(months[0].sum().clicks()).isEqualTo(40);
        assertThat(months[1].sum()).as("nothing reported").isNull();
        assertThat(months[2].sum().impressions()).isEqualTo(800);
        assertThat(rows.periods(new Only(null, new java.util.BitSet(), -1), new int[] {700, 728})[0]
                        .sum()
                        .clicks())
                .as("reported, and nothing of these")
                .isZero();
    }

    /** A gift query, at which the item stands lower, is searched ten times as often in the last weeks. */
    @Test
    void aSeasonOfOneQueryDoesNotMoveTheItemsPosition() {
        DemandRows rows = new DemandRows();
        for (int week = 0; week < 10; week++) {
            int first = 700 + 7 * week;
            rows.add(0, 0, 0, first, first + 6, 5, 100, 3);
            rows.add(0, 1, 0, first, first + 6, 5, week < 7 ? 10 : 1_000, 12);
        }
        WeeklyFigures weekly = rows.weekly(By.ITEM, Only.ANY, new int[] {0});
        assertThat(weekly.position(0, 9)).isCloseTo(weekly.position(0, 0), within(1e-4));
        assertThat(weekly.position(0, 0)).isBetween(3.0, 12.0);
        assertThat(rows.weekly(By.QUERY, Only.ANY, new int[] {0, 1}).position(1, 9))
                .isCloseTo(12, within(1e-4));
    }

    /** The tour page has the query until the hire page takes it; one week in between does not count. */
    @Test
    void saysWhichItemHasAQueryAndWhenThatChangedHands() {
        DemandRows rows = new DemandRows();
        for (int week = 0; week < 12; week++) {
            int first = 700 + 7 * week;
            boolean hire = week >= 7 || week == 3;
            rows.add(0, 0, 0, first, first + 6, 1, hire ? 20 : 90, 4);
            rows.add(1, 0, 0, first, first + 6, 1, hire ? 80 : 5, 6);
            rows.add(2, 1, 0, first, first + 6, 1, 900, 2);
        }
        assertThat(rows.holders(new Only(null, only(0), -1)))
                .extracting(DemandRows.Holder::item, DemandRows.Holder::firstWeekDay, DemandRows.Holder::weeks)
                .containsExactly(tuple(0, 700, 7), tuple(1, 749, 5));
    }
}
