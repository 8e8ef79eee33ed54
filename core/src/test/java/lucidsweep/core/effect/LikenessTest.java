package lucidsweep.core.effect;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import lucidsweep.core.demand.WeeklyFigures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Who counts as most like an item: item 0 is the one that is changed, all others were left alone. */
class LikenessTest {

    private static final int LIVE = 90;
    private static final int WEEKS = 100;
    private static final int ITEMS = 41;
    private static final int[] LEFT = IntStream.range(1, ITEMS).toArray();

    private final WeeklyFigures figures = new WeeklyFigures(ITEMS, WEEKS, 20_000);
    private final int[] templates = new int[ITEMS];

    /** What an item has in a week. */
    private interface Clicks {
        double of(int item, int week);
    }

    private List<Integer> nearest(Clicks clicks, double[] positions) {
        for (int item = 0; item < ITEMS; item++) {
            for (int week = 0; week < WEEKS; week++) {
                double some = clicks.of(item, week);
                figures.add(item, week, some, some * 20, positions[item]);
            }
        }
        int[] nearest = new Likeness(figures, templates, Windows.of(Changed.in(0, LIVE)), LEFT).nearest(0);
        return Arrays.stream(nearest).boxed().toList();
    }

    private static double[] samePositions() {
        double[] positions = new double[ITEMS];
        Arrays.fill(positions, 4);
        return positions;
    }

    private static boolean isEven(int item) {
        return item % 2 == 0;
    }

    /** Before the change odd and even ones were shown alike; what they will do from now on tells the same weeks of last year. */
    @Test
    void theSameSeasonIsMoreAlike() {
        List<Integer> nearest = nearest(
                (item, week) -> 50 + item % 5 + (isEven(item) && week >= LIVE - 52 && week < WEEKS - 52 ? 200 : 0),
                samePositions());
        assertThat(nearest).hasSize(Likeness.MOST).allMatch(LikenessTest::isEven);
    }

    @Test
    void theSameTrendIsMoreAlike() {
        List<Integer> nearest =
                nearest((item, week) -> 100 + (isEven(item) ? 1 : -1) * (week - 75) * 1.5, samePositions());
        assertThat(nearest).hasSize(Likeness.MOST).allMatch(LikenessTest::isEven);
    }

    @Test
    void theSamePositionIsMoreAlike() {
        double[] positions = samePositions();
        for (int item = 1; item < ITEMS; item += 2) positions[item] = 14;
        assertThat(nearest((item, week) -> 50 + item % 5, positions))
                .hasSize(Likeness.MOST)
                .allMatch(LikenessTest::isEven);
    }

    @Test
    void theSameTemplateIsMoreAlike() {
        for (int item = 0; item < ITEMS; item++) templates[item] = item % 2;
        assertThat(nearest((item, week) -> 50 + item % 5, samePositions()))
                .hasSize(Likeness.MOST)
                .allMatch(LikenessTest::isEven);
    }

    @ParameterizedTest(name = "{0} like it")
    @ValueSource(ints = {0, 2, 3})
    void fewerThanThreeLikeItAreNone(int alike) {
        double[] positions = samePositions();
        List<Integer> nearest = nearest((item, week) -> item <= alike ? 30 : 3_000 + 500 * item, positions);
        assertThat(nearest).hasSize(alike < 3 ? 0 : alike);
    }
}
