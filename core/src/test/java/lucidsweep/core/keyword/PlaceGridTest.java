package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PlaceGridTest {

    private static final Words WORDS = Words.in("en");
    private static final List<String> PLACES = List.of("Gull Cove", "Fennick");

    @Test
    void aKeywordIsACombinationInWhateverOrderAndForm() {
        PlaceGrid grid = new PlaceGrid(List.of("kayak hire", "seal tours"), PLACES, WORDS);
        assertThat(grid.keyword("hire a kayak in Gull Cove", 90L)).isTrue();
        assertThat(grid.keyword("gull cove kayaks hire", 400L)).isTrue();
        assertThat(grid.keyword("fennick seal tour", null)).isTrue();
        assertThat(grid.keyword("kayak hire gull", 5L)).isFalse();
        assertThat(grid.keyword("kayak hire gull cove prices", 5L)).isFalse();
        List<PlaceGrid.Cell> cells = grid.cells();
        assertThat(cells)
                .extracting(PlaceGrid.Cell::phrase)
                .containsExactly(
                        "gull cove kayaks hire", "kayak hire fennick", "seal tours gull cove", "fennick seal tour");
        assertThat(cells).extracting(PlaceGrid.Cell::volume).containsExactly(490L, null, null, null);
        assertThat(cells.get(0).keywords()).containsExactly(1, 0);
        assertThat(cells.get(3).keywords()).containsExactly(2);
        assertThat(new PlaceGrid(List.of(), PLACES, WORDS).cells()).isEmpty();
    }

    @Test
    void servicesAreWhatKeywordsNameWithSeveralPlaces() {
        Map<String, Long> keywords = Map.of(
                "kayak hire gull cove", 90L,
                "hire kayaks fennick", 10L,
                "kayak hire fennick", 20L,
                "seal tour gull cove", 500L,
                "seals fennick", 30L,
                "seal gull cove", 40L,
                "fennick", 9_000L,
                "kayak hire", 9_000L);
        assertThat(PlaceGrid.services(keywords, PLACES, 5, WORDS)).containsExactly("kayak hire", "seal");
        assertThat(PlaceGrid.services(keywords, PLACES, 1, WORDS)).containsExactly("kayak hire");
        assertThat(PlaceGrid.services(keywords, List.of(), 5, WORDS)).isEmpty();
    }
}
