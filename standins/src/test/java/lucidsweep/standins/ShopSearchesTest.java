package lucidsweep.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** What is searched on the marketplace is what the listings are, by country and in its season. */
class ShopSearchesTest {

    private static List<String[]> rows(String csv) {
        return Arrays.stream(csv.split("\r?\n"))
                .skip(1)
                .map(line -> line.split(",", -1))
                .toList();
    }

    @Test
    void keywordsHaveExactAndBroadFiguresByCountry() {
        String csv = ShopSearches.keywords();
        assertThat(csv)
                .isEqualTo(ShopSearches.keywords())
                .startsWith("Keyword,Exact volume,Broad volume,Competition,Country,2024-11");
        Map<String, Set<String>> countries = new TreeMap<>();
        for (String[] row : rows(csv)) {
            assertThat(row).hasSize(29);
            assertThat(Long.parseLong(row[2])).isGreaterThan(Long.parseLong(row[1]));
            countries.computeIfAbsent(row[0], any -> new HashSet<>()).add(row[4]);
        }
        assertThat(countries).hasSizeGreaterThan(120).containsKeys("kayak gift", "kayak gifts", "ash greenland paddle");
        assertThat(countries.values()).allMatch(each -> each.equals(Set.of("gb", "ie")));
        assertThat(countries).as("a third of the tags is on no list").doesNotContainKey(ShopListings.TAGS[1]);
    }

    @Test
    void giftsAreSearchedBeforeTheHolidaysAndWhatIsForFathersInJune() {
        for (String[] row : rows(ShopSearches.keywords())) {
            long december = Long.parseLong(row[6]);
            long june = Long.parseLong(row[12]);
            if (row[0].startsWith("fathers day")) assertThat(june).isGreaterThan(december);
            else if (row[0].contains("gift")) assertThat(december).isGreaterThan(2 * june);
        }
    }

    @Test
    void demandIsOfListingsThatAreThereAndLeavesOutWhatIsHardlyShown() {
        Set<String> ids = new HashSet<>();
        for (int number = 0; number < ShopListings.COUNT; number++) ids.add(ShopListings.id(number));
        List<String[]> rows = rows(ShopSearches.demand());
        assertThat(rows).hasSizeGreaterThan(5_000);
        Set<String> periods = new HashSet<>();
        for (String[] row : rows) {
            assertThat(ids).contains(row[0]);
            assertThat(Long.parseLong(row[6])).isGreaterThanOrEqualTo(3);
            assertThat(Long.parseLong(row[5])).isBetween(0L, Long.parseLong(row[6]));
            assertThat(Double.parseDouble(row[7])).isGreaterThanOrEqualTo(1);
            periods.add(row[4]);
        }
        assertThat(periods).hasSize(60).contains("2026-11-22");
    }

    @Test
    void whatIsSearchedAmongVideosNamesPlacesAndSkills() {
        assertThat(rows(ShopSearches.videoKeywords()))
                .hasSizeGreaterThan(40)
                .allMatch(row -> row.length == 2 && Long.parseLong(row[1]) > 0)
                .extracting(row -> row[0])
                .contains("paddling to gull cove", "rolling a sea kayak")
                .doesNotHaveDuplicates();
    }
}
