package lucidsweep.server.gather.crawl;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class StructuredDataTest {

    private static StructuredData read(String... pieces) {
        return StructuredData.of(List.of(pieces), new JsonMapper());
    }

    @Test
    void theFirstOfEachIsTakenWhereverItStands() {
        assertThat(read(
                        "{broken",
                        "{\"@graph\":[{\"@type\":\"Thing\"},{\"headline\":\" Otter Point \",\"datePublished\":\"2026-05-01\"}]}",
                        "[{\"name\":\"Later\",\"description\":\"By kayak\",\"aggregateRating\":{\"ratingValue\":4.7,\"reviewCount\":\"31\"},"
                                + "\"offers\":[{\"price\":40,\"priceCurrency\":\"GBP\"},{\"price\":9}]}]"))
                .isEqualTo(new StructuredData("Otter Point", "By kayak", "2026-05-01", "4.7 of 31", "40 GBP"));
    }

    @Test
    void whatIsOfAnotherKindSaysNothing() {
        assertThat(read("{\"name\":{\"a\":1},\"description\":[\"x\"],\"aggregateRating\":3}", "7", "null"))
                .isEqualTo(new StructuredData("", "", "", "", ""));
        assertThat(read("[" + "[".repeat(400) + "]".repeat(400) + "]").name()).isEmpty();
    }
}
