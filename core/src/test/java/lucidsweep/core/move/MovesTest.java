package lucidsweep.core.move;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import lucidsweep.core.demand.ClickRates;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.move.Move.Spread;
import lucidsweep.core.move.Move.What;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MovesTest {

    private static final int WEEKS = 70;
    private static final ClickRates RATES =
            new ClickRates(List.of(0.31, 0.14, 0.085, 0.06, 0.046, 0.037, 0.031, 0.027, 0.023, 0.02), 1.18);

    /** Pages of eight sections, their seasons apart, clicked as their positions let expect. */
    private static final class Market {
        private final int pages;
        private final double[][] logPosition;
        private final double[][] appeal;
        private final int[] sections;
        private final Random random;
        private final double[][] searches;
        private int goneFrom = WEEKS;

        private Market(int pages, long seed) {
            this.pages = pages;
            random = new Random(seed);
            logPosition = new double[pages][WEEKS];
            appeal = new double[pages][WEEKS];
            sections = new int[pages];
            searches = new double[pages][WEEKS];
            for (double[] each : searches) Arrays.fill(each, 1);
            for (int page = 0; page < pages; page++) {
                sections[page] = page % 8;
                double start = Math.log(1.5 + random.nextInt(12));
                for (int week = 0; week < WEEKS; week++) logPosition[page][week] = start;
            }
        }

        private void lower(int page, int week, double times) {
            for (int later = week; later < WEEKS; later++) logPosition[page][later] += Math.log(times);
        }

        private List<Move> moves() {
            WeeklyFigures figures = new WeeklyFigures(pages, WEEKS, 20_000);
            for (int page = 0; page < pages; page++) {
                double volume = 200 + random.nextInt(2_000);
                for (int week = 0; week < (page == 0 ? goneFrom : WEEKS); week++) {
                    double season = searches[page][week]
                            * Math.exp(0.6 * Math.sin(2 * Math.PI * week / 52 + sections[page] * 0.2));
                    double position = Math.exp(logPosition[page][week] + random.nextGaussian() * 0.06);
                    double rate = RATES.at(position) * Math.exp(appeal[page][week]);
                    double mean = volume * season * rate;
                    long clicks = Math.max(0, Math.round(mean + random.nextGaussian() * Math.sqrt(mean)));
                    figures.add(page, week, clicks, Math.round(volume * season), position);
                }
            }
            return Moves.of(figures, sections, RATES);
        }
    }

    @Test
    void quietPagesDoNotMove() {
        int moves = 0;
        for (int seed = 0; seed < 5; seed++)
            moves += new Market(200, seed).moves().size();
        double seriesMonths = 5 * 3 * 200 * WEEKS / (365.25 / 12 / 7);
        assertThat(moves / seriesMonths).isLessThan(1 / 200.0);
    }

    @Test
    void whatMovesTogetherIsOneMove() {
        Market market = new Market(160, 1);
        for (int page = 0; page < 160; page++) if (page % 8 == 3) market.lower(page, 50, 1.9);
        market.lower(4, 61, 2.5);
        market.lower(5, 61, 0.4);
        List<Move> moves = market.moves();
        Move section = moves.stream()
                .filter(move -> move.what() == What.POSITION && move.spread() == Spread.GROUP)
                .findFirst()
                .orElseThrow();
        assertThat(section.group()).isEqualTo(3);
        assertThat(section.week()).isEqualTo(50);
        assertThat(section.series()).hasSizeGreaterThanOrEqualTo(18).allMatch(page -> page % 8 == 3);
        assertThat(section.of()).isEqualTo(20);
        assertThat(section.ratio()).isCloseTo(1.9, within(0.15));
        assertThat(section.isBetter()).isFalse();
        assertThat(section.clicksPerMonth()).isNegative();
        assertThat(moves.stream().filter(move -> move.what() == What.POSITION && move.spread() == Spread.ONE))
                .anyMatch(move -> move.series().equals(List.of(4)) && move.week() == 61 && !move.isBetter())
                .anyMatch(move -> move.series().equals(List.of(5)) && move.week() == 61 && move.isBetter())
                .hasSizeLessThan(6);
    }

    @Test
    void anUpdateMovesAllOfTheProperty() {
        Market market = new Market(80, 2);
        for (int page = 0; page < 80; page++) if (page % 3 != 0) market.lower(page, 55, 1.6);
        Move first = market.moves().stream()
                .filter(move -> move.what() == What.POSITION)
                .findFirst()
                .orElseThrow();
        assertThat(first.spread()).isEqualTo(Spread.ALL);
        assertThat(first.week()).isEqualTo(55);
        assertThat(first.of()).isEqualTo(80);
    }

    @Test
    void aPageThatIsNotShownAnyMoreIsFound() {
        Market market = new Market(80, 4);
        market.goneFrom = 62;
        assertThat(market.moves())
                .anyMatch(move -> move.what() == What.IMPRESSIONS
                        && move.series().equals(List.of(0))
                        && move.week() == 62
                        && !move.isBetter());
    }

    /** A page for gifts is shown three times as often from November on, every year. */
    @Test
    void whatCameTheSameWayLastYearIsTheSeason() {
        Market market = new Market(80, 5);
        for (int week = 0; week < WEEKS; week++) market.searches[2][week] = week % 52 >= 8 && week % 52 < 20 ? 3 : 1;
        for (int week = 60; week < WEEKS; week++) market.searches[4][week] = 3;
        assertThat(market.moves())
                .noneMatch(
                        move -> move.what() == What.IMPRESSIONS && move.series().contains(2) && move.week() > 52)
                .anyMatch(
                        move -> move.what() == What.IMPRESSIONS && move.series().contains(4) && move.week() == 60);
    }

    @Test
    void clicksThatFallAtTheSamePositionAreAMove() {
        Market market = new Market(80, 3);
        for (int week = 60; week < WEEKS; week++) market.appeal[1][week] = -0.9;
        assertThat(market.moves())
                .anyMatch(move -> move.what() == What.CLICKS
                        && move.series().equals(List.of(1))
                        && Math.abs(move.week() - 60) <= 1)
                .noneMatch(move -> move.what() == What.POSITION && move.series().contains(1));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            POSITION    | 3.2 | 8.4  | fell from position 3.2 to 8.4
            POSITION    | 8.4 | 3.2  | rose from position 8.4 to 3.2
            CLICKS      | 1   | 1.5  | has 1.5 times as many clicks at the same positions
            CLICKS      | 1   | 0.58 | has 42% fewer clicks at the same positions
            IMPRESSIONS | 1   | 3    | has 3.0 times as many impressions, against the others
            IMPRESSIONS | 1   | 0.4  | has 60% fewer impressions, against the others
            IMPRESSIONS | 1   | 40   | began to be shown
            IMPRESSIONS | 1   | 0.02 | is hardly shown any more
            """)
    void saysWhatHappened(What what, double before, double after, String words) {
        Move move = new Move(what, 4, Spread.ONE, -1, List.of(0), 1, before, after, after / before, 9, 0);
        assertThat(move.words()).isEqualTo(words);
    }
}
