package lucidsweep.core.aim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rows of a made-up report against a plain sum over all of them. */
class ReportedDemandTest {

    private static final Words ENGLISH = Words.in("en");
    private static final int FROM = 20_000;
    private static final int TO = 20_089;
    private static final int DAYS = TO - FROM + 1;
    private static final int YEAR = 364;

    /** Queries of one meaning stand together: case, word form and stop words make no difference. */
    private static final List<List<String>> QUERIES = List.of(
            List.of("kayak hire", "Kayak Hire", "kayaks hire", "the kayak hire"),
            List.of("kayak lesson", "kayak lessons"),
            List.of("tarrin bay kayaks", "Tarrin Bay Kayaks"),
            List.of("wooden paddle"));

    private static final List<List<String>> ADDRESSES = List.of(
            List.of("https://bay.example/hire", "https://BAY.example/hire", "https://bay.example:443/hire"),
            List.of("https://bay.example/lessons"),
            List.of("https://elsewhere.example/hire"));

    private record Row(int item, int query, int first, int last, long clicks, long shown, double position) {

        private int middle() {
            return first + (last - first) / 2;
        }
    }

    private final List<Row> rows = new ArrayList<>();
    private ReportedDemand demand;

    private void report(long seed) {
        Random random = new Random(seed);
        demand = new ReportedDemand(ENGLISH, new BrandNames(List.of("Tarrin Bay Kayaks"), ENGLISH), FROM, TO);
        Set<Integer> known = new HashSet<>();
        for (int i = 0; i < 2_000; i++) {
            int item = random.nextInt(ADDRESSES.size());
            int query = random.nextInt(QUERIES.size());
            int first = FROM - 400 + random.nextInt(500);
            long shown = random.nextInt(50);
            Row row = new Row(
                    item,
                    query,
                    first,
                    first + random.nextInt(28),
                    random.nextInt(12),
                    shown,
                    random.nextInt(5) == 0 ? 0 : 1 + 20 * random.nextDouble());
            rows.add(row);
            Phrase added = demand.add(
                    any(ADDRESSES.get(item), random),
                    any(QUERIES.get(query), random),
                    row.first,
                    row.last,
                    row.clicks,
                    row.shown,
                    row.position);
            assertThat(added != null).as("a query is new once").isEqualTo(known.add(query));
        }
        demand.item("https://bay.example/hire", 7);
        demand.item("https://bay.example/lessons", 9);
        demand.item("https://bay.example/nobody-saw-it", 11);
    }

    private static String any(List<String> spellings, Random random) {
        return spellings.get(random.nextInt(spellings.size()));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void everyRowIsInTheSumsOfItsQueryOnce(long seed) {
        report(seed);
        List<Phrase> keywords =
                QUERIES.stream().map(each -> Phrase.of(each.get(0), ENGLISH)).toList();
        List<List<DemandTally.Line>> ofKeywords = demand.ofKeywords(keywords);
        for (int query = 0; query < QUERIES.size(); query++) {
            int of = query;
            DemandTally.Line sum = demand.sumOf(keywords.get(query));
            is(sum.now(), of, FROM);
            is(sum.before(), of, FROM - DAYS);
            is(sum.yearBefore(), of, FROM - YEAR);
            is(ReportedDemand.sum(ofKeywords.get(query)), of, FROM);
            assertThat(ofKeywords.get(query)).hasSize(ADDRESSES.size());
        }
        assertThat(demand.ofKeywords(List.of(Phrase.of("canoe hire", ENGLISH))).get(0))
                .isEmpty();
        assertThat(demand.sumOf(Phrase.of("canoe hire", ENGLISH)).now().impressions())
                .isZero();
    }

    private void is(DemandTally.Sum sum, int query, int start) {
        Predicate<Row> in = row -> row.query == query && row.middle() >= start && row.middle() < start + DAYS;
        long clicks = rows.stream().filter(in).mapToLong(Row::clicks).sum();
        long shown = rows.stream().filter(in).mapToLong(Row::shown).sum();
        List<Row> placed =
                rows.stream().filter(in.and(row -> row.position >= 1)).toList();
        double position =
                placed.stream().mapToDouble(row -> row.position * row.shown).sum()
                        / placed.stream().mapToLong(Row::shown).sum();
        assertThat(sum.clicks()).isEqualTo(clicks).isPositive();
        assertThat(sum.impressions()).isEqualTo(shown);
        assertThat(sum.position()).isCloseTo(position, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(longs = {6, 7})
    void whatIsReportedIsSaidOfTheWhole(long seed) {
        report(seed);
        AimPlan.Reported reported = demand.reported();
        assertThat(reported.rows()).isEqualTo(rows.size());
        assertThat(reported.elsewhere())
                .isEqualTo(rows.stream().filter(row -> row.item == 2).count());
        assertThat(reported.withoutPosition())
                .isEqualTo(rows.stream().filter(row -> row.position < 1).count());
        assertThat(reported.tooManyClicks())
                .isEqualTo(rows.stream().filter(row -> row.clicks > row.shown).count());
        assertThat(demand.items()).containsExactlyInAnyOrder(7, 9, -1);
        assertThat(demand.brandQueries())
                .singleElement()
                .satisfies(number -> assertThat(demand.queries().get(number).key())
                        .isEqualTo(Phrase.of("tarrin bay kayaks", ENGLISH).key()));
        Map<Integer, Integer> firstDays = new HashMap<>();
        rows.forEach(row -> firstDays.merge(row.item, row.first, Math::min));
        int first = firstDays.values().stream().mapToInt(day -> day).min().orElseThrow();
        for (int number = 0; number < ADDRESSES.size(); number++) {
            assertThat(demand.firstDay(number)).isIn(firstDays.values());
            assertThat(demand.daysLate(number)).isEqualTo(demand.firstDay(number) - first);
        }
    }
}
