package lucidsweep.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The files of the demo client read like those of a real one. */
class FilesTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 7, 99})
    void listingsAreManyAndTheirFaultsAreThere(long seed) {
        ShopListings listings = new ShopListings(seed);
        assertThat(listings.csv()).isEqualTo(new ShopListings(seed).csv());
        List<String> lines = Arrays.asList(listings.csv().split("\r\n"));
        assertThat(lines.get(0)).isEqualTo("listing id,title,description,tags,price,section,stock");
        assertThat(lines).hasSizeGreaterThanOrEqualTo(181);
        Set<String> ids = new HashSet<>();
        for (String line : lines.subList(1, lines.size()))
            assertThat(ids.add(line.substring(0, line.indexOf(',')))).as(line).isTrue();
        assertThat(listings.planted())
                .isNotEmpty()
                .allSatisfy(fault -> assertThat(ids).contains(fault.path()));
    }

    @Test
    void keywordsAreMadeUpOfPhrasesWithVolumes() {
        KeywordFile keywords = new KeywordFile(7);
        assertThat(keywords.csv()).isEqualTo(new KeywordFile(7).csv());
        String[] lines = keywords.csv().split("\r?\n");
        assertThat(lines.length - 1).isEqualTo(keywords.size()).isGreaterThanOrEqualTo(300);
        assertThat(Arrays.stream(lines).skip(1))
                .allSatisfy(line -> assertThat(line).matches("[^,]+ [^,]*,.*\\d.*"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"Gull Cove", "Paddle & oar", "Half-model of a kayak", "Café"})
    void slugsAreOfLettersDigitsAndHyphens(String name) {
        assertThat(Slug.of(name)).matches("[a-z0-9]+(-[a-z0-9]+)*");
    }
}
