package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MovedSitesTest {

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "moved and the old site is not shown any more,         12, 12,  0,   500, true",
        "moved and nothing is reported of the new address yet, 12, 12, 90,     0, true",
        "two language versions side by side,                   12, 12, 90,   100, false",
        "other paths,                                          12,  5,  0,   500, false",
        "half of the pages went along,                         12,  6,  0,   500, true",
        "too few to tell,                                       9,  9,  0,   500, false"
    })
    void aSiteMovedWhereItsPathsStandElsewhereAndItIsShownNoMore(
            String name, int reported, int same, double oldShown, double newShown, boolean moved) {
        MovedSites.Finder finder = new MovedSites.Finder();
        for (int i = 0; i < reported; i++) finder.reported("http://old.example/page-" + i, false, oldShown);
        if (newShown > 0) finder.reported("https://new.example/page-0", true, newShown * reported);
        finder.isAny();
        IntStream.range(0, same).forEach(i -> finder.item("https://new.example/page-" + i));
        finder.item("https://new.example/other");
        MovedSites found = finder.found();
        assertThat(found.isEmpty()).isEqualTo(!moved);
        assertThat(found.now("http://old.example/page-3?x=1"))
                .isEqualTo(moved ? "https://new.example/page-3?x=1" : "http://old.example/page-3?x=1");
        assertThat(found.now("http://older.example/page-3")).isEqualTo("http://older.example/page-3");
        assertThat(found.now("W1")).as("the id of a listing").isEqualTo("W1");
    }
}
