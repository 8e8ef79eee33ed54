package lucidsweep.core.column;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What names and cells tell of columns, apart and together. */
class ColumnsTest {

    private static List<List<String>> table(String... rows) {
        return Arrays.stream(rows).map(row -> List.of(row.split("\\|", -1))).toList();
    }

    private static List<Meaning> meanings(RowKind kind, String... rows) {
        return GuessedColumns.of(kind, table(rows)).columns().stream()
                .map(GuessedColumn::meaning)
                .toList();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Title | TITLE | 1",
                "page_title | TITLE | 1",
                "PageTitle (first) | TITLE | 1",
                "item.texts.title | TITLE | 0.92",
                "Angebotstitel | TITLE | 1",
                "Überarbeiteter Seitentitel | TITLE | 0.78",
                "the present title of it | TITLE | 0.57",
                "Title length | TITLE | 0",
                "channel title | TITLE | 0",
                "Subtitle | TITLE | 0",
                "Impr. | IMPRESSIONS | 1",
                "Avg. pos. | POSITION | 1",
                "Durchschn. Pos. | POSITION | 1",
                "Previous clicks | CLICKS | 0",
                "thumbnails.small.url | ADDRESS | 0",
                "Canonical | ADDRESS | 0",
            })
    void namesFitAsWellAsTheySay(String name, Meaning meaning, double fit) {
        assertThat(KnownNames.ALL.fit(name, meaning)).isCloseTo(fit, org.assertj.core.api.Assertions.within(0.03));
    }

    @ParameterizedTest
    @CsvSource({
        "Searches: Mar 2025, 2025-03",
        "2025-03, 2025-03",
        "März 25, 2025-03",
        "vol_2025_03, 2025-03",
        "01.03.2025, 2025-03",
        "févr. 2026, 2026-02",
        "Volume (paź 2025), 2025-10",
        "mrt/2026, 2026-03",
        "Title 12, ''",
        "1300 12, ''",
        "June, ''"
    })
    void namesOfMonthsInAnyUsualForm(String name, String month) {
        assertThat(MonthName.of(name).orElse("")).isEqualTo(month);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "1.210 3,4;COMMA;1.210;1210",
                "1,210 3.4;POINT;1,210;1210",
                "1.210,50;COMMA;1.210,50;1210.50",
                "1.000.000;COMMA;7.000;7000",
                "0.5 12.25;POINT;1,210.5;1210.5",
                "3,4;COMMA;1.3K;1.3K",
                "1'210,5;COMMA;2,5;2.5"
            })
    void numbersAreToldByTheWholeColumn(String column, DecimalMark mark, String number, String plain) {
        List<String> cells = List.of(column.split(" "));
        assertThat(DecimalMark.told(cells)).contains(mark);
        assertThat(mark.plain(number)).isEqualTo(plain);
        assertThat(DecimalMark.told(List.of("1.210", "7", "1 300")))
                .as("either could be meant")
                .isEmpty();
    }

    @Test
    void aNameIsNotBelievedWhereTheCellsContradictIt() {
        assertThat(meanings(
                        RowKind.LISTINGS,
                        "Title|What it is|Price",
                        "SKU-1|Hand-made ash paddle|145",
                        "SKU-2|Cedar strip kayak kit|620",
                        "SKU-3|Waxed cotton spray deck|85",
                        "SKU-4|Dry bag of twenty litres|24"))
                .containsExactly(Meaning.ID, Meaning.TITLE, Meaning.PRICE);
        assertThat(meanings(
                        RowKind.PAGES,
                        "URL|Title",
                        "https://a.example/|42",
                        "https://b.example/|7",
                        "https://c.example/|9"))
                .containsExactly(Meaning.ADDRESS, Meaning.UNUSED);
    }

    /** Whatever order the columns stand in, each is taken for the same. */
    @Test
    void theOrderOfColumnsDoesNotMatter() {
        List<List<String>> table = table(
                "id|title|description|tags|price|views|published|colour",
                "1|Hand-made ash paddle|Carved from one plank of ash and oiled three times by hand.|ash, paddle, gift|145|310|2026-03-05|brown",
                "2|Cedar strip kayak kit|All you need to build a boat in a winter of evenings at home.|cedar, kit, boat|620|12|2026-04-05|red");
        List<Meaning> expected = GuessedColumns.of(RowKind.LISTINGS, table).columns().stream()
                .map(GuessedColumn::meaning)
                .toList();
        assertThat(expected).doesNotHaveDuplicates().hasSize(8);
        Random random = new Random(3);
        for (int round = 0; round < 40; round++) {
            List<Integer> order = new ArrayList<>(IntStream.range(0, 8).boxed().toList());
            java.util.Collections.shuffle(order, random);
            List<List<String>> shuffled = table.stream()
                    .map(row -> order.stream().map(row::get).toList())
                    .toList();
            assertThat(GuessedColumns.of(RowKind.LISTINGS, shuffled).columns().stream()
                            .map(GuessedColumn::meaning)
                            .toList())
                    .isEqualTo(order.stream().map(expected::get).toList());
        }
    }

    @Test
    void aTableBeginsBelowWhatStandsAboveIt() {
        assertThat(TableStart.row(table("Report|", "|", "Query|Clicks", "kayak|3", "canoe|4")))
                .isEqualTo(2);
        assertThat(TableStart.row(table("Query|Clicks", "kayak|3"))).isZero();
        assertThat(TableStart.row(table("osoite|otsikko|x", "https://a.example/|Kajakki|1")))
                .isZero();
        assertThat(TableStart.row(table("Period|October", "Shop|Bay", "Query|Clicks", "kayak|3", "canoe|4")))
                .isEqualTo(2);
        assertThat(TableStart.hasNames(table("kayak hire", "canoe hire"))).isFalse();
        assertThat(TableStart.hasNames(table("kayak hire|1300", "canoe hire|20")))
                .isFalse();
    }

    @Test
    void whatStandsBelowATableIsNoRow() {
        TableEnd end = new TableEnd(3);
        List.of("kayak hire|12|300", "canoe|3|40").forEach(row -> end.row(List.of(row.split("\\|"))));
        assertThat(end.isBelow(List.of("Total", "15", "340"))).isTrue();
        assertThat(end.isBelow(List.of("Gesamt:", "15", "340"))).isTrue();
        assertThat(end.isBelow(List.of("total", "1", "20")))
                .as("a query of that name")
                .isFalse();
        assertThat(end.isBelow(List.of("Figures of two days are missing.", "", "")))
                .isTrue();
        assertThat(end.isBelow(List.of("otter", "", ""))).isFalse();
    }
}
