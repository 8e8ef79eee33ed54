package lucidsweep.core.demand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.keyword.ItemIndex;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Each rule by itself, on two items. */
class BetterKeywordsTest {

    private static final Words ENGLISH = Words.in("en");
    private static final List<Phrase> QUERIES = List.of(
            Phrase.of("raku course", ENGLISH),
            Phrase.of("raku fennick", ENGLISH),
            Phrase.of("tile making", ENGLISH),
            Phrase.of("wind turbine", ENGLISH),
            Phrase.of("kiln shed raku", ENGLISH));
    private static final int TARGET = 0;
    private static final int WANTED = 1;
    private static final int OTHERS = 2;
    private static final int FOREIGN = 3;
    private static final int BRAND = 4;
    private static final long[] IDS = {10, 20, -1};

    private final ItemIndex index = new ItemIndex(ENGLISH);
    private DemandTally tally;
    private BetterKeywords better;

    @BeforeEach
    void twoItems() {
        QUERIES.forEach(index::learn);
        index.put(10, new ItemTexts("Raku course in Fennick", "Raku course", "raku", "", "", ""));
        index.put(20, new ItemTexts("Tile making", "Tile making", "tiles", "", "", ""));
        tally = new DemandTally(1_000, 1_090);
        better = new BetterKeywords(index, new ClickCurve.Fitter().fit(), QUERIES, Set.of(BRAND));
        better.target(10, QUERIES.get(TARGET), true);
        better.target(20, QUERIES.get(OTHERS), true);
        shown(0, TARGET, 60, 4);
    }

    private void shown(int item, int query, long impressions, double position) {
        tally.add(item, query, 1_000, 1_090, 0, impressions, position);
    }

    private void before(int item, int query, long impressions, double position) {
        tally.add(item, query, 909, 999, 0, impressions, position);
    }

    private List<BetterKeywords.Better> found() {
        return better.of(tally.lines(), IDS, tally.months());
    }

    @Test
    void itsValueIsMadeOfItsParts() {
        shown(0, WANTED, 3_000, 12);
        before(0, WANTED, 500, 25);
        better.volume("raku fennick", 4_000);
        ClickCurve curve = new ClickCurve.Fitter().fit();
        assertThat(found()).singleElement().satisfies(each -> {
            assertThat(each.now()).isEqualTo("raku course");
            assertThat(each.query()).isEqualTo(WANTED);
            assertThat(each.volume()).isEqualTo(4_000);
            assertThat(each.reachable().position()).isEqualTo(6);
            assertThat(each.positionBefore()).isEqualTo(25);
            double value = 4_000 * (curve.rate(6) - curve.rate(12)) * each.relevance();
            assertThat(each.value()).isCloseTo(value, within(1e-9));
            assertThat(each.reachable().rate() - each.rank().rate())
                    .isCloseTo(curve.rate(6) - curve.rate(12), within(1e-12));
            assertThat(each.reason())
                    .startsWith("1,003 impressions a month at position 12.0, up from 25.0; estimate: 4,000 searches ×")
                    .contains("% at position 6.0");
        });
    }

    @Test
    void whatIsShownMoreThanTheListSaysCountsAsItIsShown() {
        shown(0, WANTED, 3_000, 12);
        better.volume("raku fennick", 10);
        assertThat(found().get(0).volume()).isCloseTo(3_000 / tally.months(), within(1e-9));
    }

    @Test
    void itIsRefusedWhereItIsTheBrands() {
        shown(0, BRAND, 3_000, 12);
        assertThat(found()).isEmpty();
    }

    @Test
    void itIsRefusedWhereItIsAnotherItemsKeyword() {
        shown(0, OTHERS, 9_000, 12);
        assertThat(found()).isEmpty();
    }

    @Test
    void itIsRefusedWhereAnotherItemStandsHigherUnlessThatIsNoneOfOurs() {
        shown(0, WANTED, 3_000, 12);
        shown(2, WANTED, 3_000, 5);
        assertThat(found()).hasSize(1);
        shown(1, WANTED, 3_000, 8);
        assertThat(found()).isEmpty();
    }

    @Test
    void itIsRefusedWhereTheItemIsHardlyAboutIt() {
        shown(0, FOREIGN, 9_000, 12);
        assertThat(found()).isEmpty();
    }

    @Test
    void itIsRefusedWhereItFallsOrIsNotWorthMuchMore() {
        shown(0, WANTED, 150, 12);
        assertThat(found()).as("not three times as much").isEmpty();
        shown(0, WANTED, 3_000, 12);
        assertThat(found()).hasSize(1);
        before(0, WANTED, 9_000, 6);
        assertThat(found()).as("falling").isEmpty();
    }

    @Test
    void whatStandsAtTheTopOrFarBelowIsNoBeginning() {
        shown(0, WANTED, 3_000, 2);
        assertThat(found()).isEmpty();
        shown(0, WANTED, 30_000, 60);
        assertThat(found()).isEmpty();
    }

    @Test
    void ofAnItemWithoutATargetNothingIsSaidAndOfAYoungOneUntilWhenToWait() {
        shown(1, WANTED, 3_000, 12);
        BetterKeywords without = new BetterKeywords(index, new ClickCurve.Fitter().fit(), QUERIES, Set.of());
        assertThat(without.of(tally.lines(), IDS, tally.months())).isEmpty();
        shown(0, WANTED, 4_000, 11);
        better.young(10, 1_150);
        assertThat(found()).extracting(BetterKeywords.Better::youngUntil).containsExactly(1_150);
    }

    @Test
    void itemsThatAreShownInTurnShareAQueryAndTheHomeIsKept() {
        tally.add(0, WANTED, 1_000, 1_090, 30, 700, 6);
        tally.add(1, WANTED, 1_000, 1_090, 90, 300, 3);
        tally.add(1, OTHERS, 1_000, 1_090, 5, 100, 9);
        shown(2, WANTED, 5_000, 1);
        shown(1, BRAND, 900, 1);
        shown(0, BRAND, 900, 1);
        List<SharedQueries.Shared> byClicks = shared(Map.of());
        assertThat(byClicks).hasSize(1);
        assertThat(byClicks.get(0).shown()).isCloseTo(1_000 / tally.months(), within(1e-9));
        assertThat(byClicks.get(0).sides()).extracting(SharedQueries.Side::item).containsExactly(20L, 10L);
        List<SharedQueries.Side> sides = shared(Map.of(WANTED, 10L)).get(0).sides();
        assertThat(sides)
                .extracting(SharedQueries.Side::item)
                .as("the home first")
                .containsExactly(10L, 20L);
        assertThat(sides).extracting(SharedQueries.Side::instead).containsExactly(TARGET, OTHERS);
        assertThat(sides).extracting(SharedQueries.Side::share).containsExactly(0.7, 0.3);
    }

    private List<SharedQueries.Shared> shared(Map<Integer, Long> homes) {
        return SharedQueries.of(tally.lines(), IDS, tally.months(), Set.of(BRAND), homes);
    }
}
